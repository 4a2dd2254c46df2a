'use client';
import type { ComparedNote, Desk, Problem, RevisionsCompared } from '@inkwell/review';
import { useEffect, useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { Choice, Pick } from '@/ui/Field';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';
import type { Pair } from '../place';
import { proofAddress } from '../proof/Proof';
import { sideBySide, type SideLine } from './sideBySide';

const Section = styled.section`
  padding: 0.75rem 1.25rem 1rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-right: 0;
  display: grid;
  gap: 0.75rem;
  min-width: 0;
  h2 {
    font-size: 1.125rem;
  }
`;
const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
`;
const Became = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 12rem), 1fr));
  gap: 0.75rem;
  font-size: 0.875rem;
  h3 {
    font: 600 0.875rem var(--sans);
  }
  li {
    display: grid;
    grid-template-columns: 1rem minmax(0, 1fr);
    gap: 0.4rem;
    padding: 0.1rem 0;
    overflow-wrap: anywhere;
  }
`;
const Texts = styled.div`
  overflow: auto;
  border: 1px solid var(--line);
  max-height: 34rem;
  &:focus-visible {
    outline-offset: -3px;
  }
  table {
    border-collapse: collapse;
    width: 100%;
    table-layout: fixed;
    font: 0.8125rem/1.5 var(--mono);
  }
  caption {
    text-align: left;
    font: 600 0.875rem var(--sans);
    padding: 0.3rem 0.5rem;
  }
  col.line {
    width: 2.75rem;
  }
  td,
  th {
    vertical-align: top;
    padding: 0 0.4rem;
    text-align: left;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font-weight: 400;
  }
  tbody th {
    color: var(--quiet);
    text-align: right;
  }
  thead th {
    font: 600 0.8125rem var(--sans);
    border-bottom: 1px solid var(--line);
  }
  mark {
    background: var(--gallWash);
    color: var(--ink);
    border-bottom: 2px solid var(--gall);
  }
  del {
    background: var(--rubricWash);
    color: var(--ink);
    text-decoration: none;
    border-bottom: 2px solid var(--rubric);
  }
  td.folded {
    color: var(--quiet);
    font: 0.8125rem var(--sans);
    padding: 0.2rem 0.5rem;
    background: var(--paper);
  }
`;
const Proofs = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 17rem), 1fr));
  gap: 0.75rem;
  h3 {
    font: 600 0.875rem var(--sans);
    margin-bottom: 0.25rem;
  }
  iframe {
    width: 100%;
    height: 32rem;
    border: 1px solid var(--line);
    background: #fffefa;
    color-scheme: light;
  }
`;

export interface ComparisonProps {
  desk: Desk;
  pair: Pair;
  onPair(pair: Pair | null): void;
}

/** Two revisions side by side, as text or as proof, and what became of the notes between them. */
export function Comparison({ desk, pair, onPair }: ComparisonProps) {
  const { compared, problem } = useCompared(desk.pageId, pair);
  const [as, setAs] = useState<'text' | 'proof'>('text');
  const options = desk.history.map(({ number }) => ({ value: String(number), label: String(number) }));
  const pick = (end: keyof Pair) => (value: string) => onPair({ ...pair, [end]: Number(value) });
  return (
    <Section aria-label="Comparison">
      <Bar>
        <h2>{`Revision ${pair.from} against ${pair.to}`}</h2>
        <Pick
          label="From"
          value={String(pair.from)}
          onChange={pick('from')}
          options={options.filter((one) => one.value !== String(pair.to))}
        />
        <Pick label="To" value={String(pair.to)} onChange={pick('to')} options={options.filter((one) => one.value !== String(pair.from))} />
        <Choice
          label="Shown as"
          hideLabel
          value={as}
          onChange={(next) => setAs(next as 'text' | 'proof')}
          options={[
            { value: 'text', label: 'as text' },
            { value: 'proof', label: 'as proof' },
          ]}
        />
        <Button onPress={() => onPair(null)}>Close</Button>
      </Bar>
      {problem && <ProblemNotice problem={problem} />}
      {!compared && !problem && <p role="status">Comparing…</p>}
      {compared && (
        <>
          <Became>
            <NotesThat title="Fixed" notes={compared.fixed} />
            <NotesThat title="Still there" notes={compared.kept} />
            <NotesThat title="New" notes={compared.brought} />
          </Became>
          {as === 'text' ? (
            <TextsBeside compared={compared} />
          ) : (
            <Proofs>
              {[pair.from, pair.to].map((number) => (
                <div key={number}>
                  <h3>{`Revision ${number}`}</h3>
                  <iframe
                    title={`Proof of revision ${number}`}
                    sandbox="allow-same-origin"
                    src={proofAddress(desk.collection.slug, desk.address, number)}
                  />
                </div>
              ))}
            </Proofs>
          )}
        </>
      )}
    </Section>
  );
}

function useCompared(pageId: number, pair: Pair): { compared: RevisionsCompared | null; problem: Problem | null } {
  const [found, setFound] = useState<{ pair: Pair; compared: RevisionsCompared | null; problem: Problem | null } | null>(null);
  useEffect(() => {
    let current = true;
    void send<RevisionsCompared>(`/api/pages/${pageId}/compare`, pair).then(
      (sent) => current && setFound({ pair, compared: sent.ok ? sent.value : null, problem: sent.ok ? null : sent.problem }),
    );
    return () => void (current = false);
  }, [pageId, pair]);
  return found && found.pair.from === pair.from && found.pair.to === pair.to ? found : { compared: null, problem: null };
}

/** Notes listed of one kind before the rest is only counted. */
const MOST_NOTES = 30;

function NotesThat({ title, notes }: { title: string; notes: readonly ComparedNote[] }) {
  return (
    <div>
      <h3>{`${title}: ${counted(notes.length, 'note')}`}</h3>
      {notes.length > 0 && (
        <ul>
          {notes.slice(0, MOST_NOTES).map((note) => (
            <li key={note.id}>
              <Drop weight={note.weight} size={14} />
              <span>
                <span className="aside-from-view">{`${WEIGHT_WORDS[note.weight]}: `}</span>
                {note.sentence}
              </span>
            </li>
          ))}
        </ul>
      )}
      {notes.length > MOST_NOTES && <p>{`and ${notes.length - MOST_NOTES} more`}</p>}
    </div>
  );
}

function TextsBeside({ compared: { from, to } }: { compared: RevisionsCompared }) {
  const rows = useMemo(() => sideBySide(from.html, to.html), [from.html, to.html]);
  return (
    <Texts tabIndex={0} role="region" aria-label="Both texts">
      <table>
        <caption>
          {rows.every((row) => 'folded' in row) ? 'The texts are equal' : 'Text of both revisions; what differs is underlined'}
        </caption>
        <colgroup>
          <col className="line" />
          <col />
          <col className="line" />
          <col />
        </colgroup>
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col">{`Revision ${from.number}`}</th>
            <th scope="col">Line</th>
            <th scope="col">{`Revision ${to.number}`}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) =>
            'folded' in row ? (
              <tr key={i}>
                <td className="folded" colSpan={4}>{`${counted(row.folded, 'line')} the same`}</td>
              </tr>
            ) : (
              <tr key={i}>
                <Side line={row.left} as="del" />
                <Side line={row.right} as="mark" />
              </tr>
            ),
          )}
        </tbody>
      </table>
    </Texts>
  );
}

function Side({ line, as: Marked }: { line: SideLine | null; as: 'del' | 'mark' }) {
  if (!line)
    return (
      <>
        <td />
        <td />
      </>
    );
  return (
    <>
      <th scope="row">{line.number}</th>
      <td>{line.pieces.map((piece, i) => (piece.marked ? <Marked key={i}>{piece.text}</Marked> : piece.text))}</td>
    </>
  );
}
