'use client';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Table, TableFrame } from '@/ui/Table';
import { When } from '@/ui/When';
import { causeWord } from '@/ui/words';
import type { DeskActions, DeskState } from './useDesk';

const Face = styled.div`overflow: auto; min-height: 0; ${TableFrame} { margin: 0; border-right: 0; }`;

/** Every revision: who made it, when and why; any of them can be made the newest again. */
export function ChangesFace({ state, actions, mayChange }: { state: DeskState; actions: DeskActions; mayChange: boolean }) {
  const { history, revision } = state.desk;
  return (
    <Face>
      <TableFrame tabIndex={0} role="region" aria-label="Revisions">
        <Table>
          <caption>Revisions, newest first</caption>
          <thead><tr><th scope="col" className="number">No.</th><th scope="col">What happened</th><th scope="col">By</th><th scope="col">When</th><th scope="col">Go back</th></tr></thead>
          <tbody>
            {history.map((line) => (
              <tr key={line.number}>
                <th scope="row" className="number">{line.number}</th>
                <td>{line.note ? `${causeWord(line.cause)}: ${line.note}` : causeWord(line.cause)}</td>
                <td className="whole">{line.by}</td>
                <td className="whole"><When at={line.at} /></td>
                <td>{line.number === revision.number ? 'This is the newest' : <Button isDisabled={!mayChange || state.busy} onPress={() => void actions.restore(line.number)} aria-label={`Restore revision ${line.number}`}>Restore</Button>}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
    </Face>
  );
}
