'use client';
import type { Problem } from '@inkwell/review';
import { useEffect, useRef, useState } from 'react';
import { Button, DownloadLink } from '@/ui/Button';
import { SearchBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Table, TableFrame } from '@/ui/Table';
import { useLater } from '@/ui/useLater';
import { When } from '@/ui/When';
import { PeopleMain } from './Door';
import { aboutWords } from './words';

export interface DeedRow {
  id: string;
  at: string;
  by: string;
  deed: string;
  person: string | null;
  about: Record<string, unknown>;
}

/** Who did what to whom and to the house, the newest first. */
export function DeedsScreen({ deeds, most }: { deeds: readonly DeedRow[]; most: number }) {
  const [words, setWords] = useState('');
  const [shown, setShown] = useState({ deeds, more: deeds.length >= most });
  const [problem, setProblem] = useState<Problem | null>(null);
  const later = useLater(words.trim(), 250);
  const load = async (find: string, before: string | null, kept: readonly DeedRow[]) => {
    const sent = await send<DeedRow[]>('/api/people/deeds', { words: find, before });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setShown({ deeds: [...kept, ...sent.value], more: sent.value.length >= most });
  };
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current) void load(later, null, []);
    begun.current = true;
    // What it loads goes by the words alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [later]);
  return (
    <PeopleMain id="content">
      <h1>Record</h1>
      <p>Who did what to whom. What was done to pages stands on the pages themselves, under Changes.</p>
      <Row>
        <SearchBox label="Find" value={words} onChange={setWords} />
        <DownloadLink $look="quiet" href="/api/deeds-sheet" download>
          Download all as CSV
        </DownloadLink>
      </Row>
      {problem && <ProblemNotice problem={problem} />}
      {shown.deeds.length === 0 && <p>Nothing of that is in the record.</p>}
      {shown.deeds.length > 0 && (
        <TableFrame tabIndex={0} role="region" aria-label="Record">
          <Table>
            <caption className="aside-from-view">What was done, the newest first</caption>
            <thead>
              <tr>
                <th scope="col">When</th>
                <th scope="col">Who</th>
                <th scope="col">Did</th>
                <th scope="col">To whom</th>
                <th scope="col">What it was about</th>
              </tr>
            </thead>
            <tbody>
              {shown.deeds.map(({ id, at, by, deed, person, about }) => (
                <tr key={id}>
                  <td>
                    <When at={at} />
                  </td>
                  <th scope="row">{by}</th>
                  <td>{deed}</td>
                  <td>{person ?? 'nobody'}</td>
                  <td>{aboutWords(about)}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableFrame>
      )}
      {shown.more && (
        <Row>
          <Button onPress={() => void load(later, shown.deeds.at(-1)?.id ?? null, shown.deeds)}>Older ones</Button>
        </Row>
      )}
    </PeopleMain>
  );
}
