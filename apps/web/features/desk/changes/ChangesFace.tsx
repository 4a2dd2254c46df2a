'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Table, TableFrame } from '@/ui/Table';
import { When } from '@/ui/When';
import { causeWord } from '@/ui/words';
import type { Pair } from '../place';
import type { DeskActions, DeskState } from '../useDesk';
import { Comparison } from './Comparison';
import { folded, wordsOfRun } from './folded';

const Face = styled.div`
  overflow: auto;
  min-height: 0;
  ${TableFrame} {
    margin: 0;
    border-right: 0;
  }
  td > div {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
  }
`;

export interface ChangesFaceProps {
  state: DeskState;
  actions: DeskActions;
  mayChange: boolean;
  pair: Pair | null;
  onPair(pair: Pair | null): void;
}

/** Every revision: who made it, when and why; any two can be laid side by side, and any made the newest again. */
export function ChangesFace({ state, actions, mayChange, pair, onPair }: ChangesFaceProps) {
  const { history, revision } = state.desk;
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const lines = useMemo(() => folded(history, open), [history, open]);
  return (
    <Face>
      {pair && <Comparison desk={state.desk} pair={pair} onPair={onPair} />}
      <TableFrame tabIndex={0} role="region" aria-label="Revisions">
        <Table>
          <caption>Revisions, newest first</caption>
          <thead>
            <tr>
              <th scope="col" className="number">
                No.
              </th>
              <th scope="col">What happened</th>
              <th scope="col">By</th>
              <th scope="col">When</th>
              <th scope="col">Look and go back</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((run, nth) => {
              const [line] = run;
              const before = lines[nth + 1]?.[0];
              return (
                <tr key={line.number}>
                  <th scope="row" className="number">
                    {run.length > 1 ? `${run.at(-1)!.number} to ${line.number}` : line.number}
                  </th>
                  <td>{run.length > 1 ? wordsOfRun(run) : line.note ? `${causeWord(line.cause)}: ${line.note}` : causeWord(line.cause)}</td>
                  <td className="whole">{line.by}</td>
                  <td className="whole">
                    <When at={line.at} />
                  </td>
                  <td>
                    <div>
                      {run.length > 1 && (
                        <Button
                          $look="quiet"
                          onPress={() => setOpen(new Set([...open, line.number]))}
                          aria-label={`Each step: ${run.at(-1)!.number} to ${line.number}`}
                        >
                          Each step
                        </Button>
                      )}
                      {before && (
                        <Button
                          onPress={() => onPair({ from: before.number, to: line.number })}
                          aria-label={`What it changed: revision ${line.number}`}
                        >
                          What it changed
                        </Button>
                      )}
                      {line.number === revision.number ? (
                        'This is the newest'
                      ) : (
                        <Button
                          isDisabled={!mayChange || state.busy}
                          onPress={() => void actions.restore(line.number)}
                          aria-label={`Restore revision ${line.number}`}
                        >
                          Restore
                        </Button>
                      )}
                    </div>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </Table>
      </TableFrame>
    </Face>
  );
}
