'use client';
import type { Problem, WaysIn } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, DownloadLink } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Table, TableFrame } from '@/ui/Table';
import { When } from '@/ui/When';
import { CalendarOf } from './CalendarOf';
import { PeopleMain } from './Door';
import { SecondFactor } from './SecondFactor';
import { browserWords, partWords, type Part } from './words';

interface YouProps {
  name: string;
  email: string | null;
  parts: readonly Part[];
  sessions: readonly { id: string; since: string; until: string; address: string | null; browser: string | null }[];
  /** Since when one's calendar has an address; null where it has none. */
  calendar: string | null;
  ways: WaysIn;
  /** The session of this very browser. */
  here: string | null;
}

/** One's own name and parts, and where one is signed in. */
export function YouScreen({ name, email, parts, sessions, calendar, ways, here }: YouProps) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const end = async (act: string, body: object) => {
    const sent = await send<unknown>(`/api/you/${act}`, body);
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.refresh();
  };
  const signOut = async () => {
    await send<null>('/api/sign-out', {});
    window.location.assign('/sign-in');
  };
  return (
    <PeopleMain id="content">
      <h1>{name}</h1>
      <p>{[email, ...parts.map(partWords)].filter(Boolean).join(' · ')}</p>
      <Row>
        <Button $look="main" onPress={() => void signOut()}>
          Sign out
        </Button>
      </Row>
      <SecondFactor ways={ways} />
      <CalendarOf since={calendar} />
      <h2>What is held of you</h2>
      <p>Your name, parts, sessions and messages, and what you did here.</p>
      <Row>
        <DownloadLink href="/api/person-data" download>
          Download all of it
        </DownloadLink>
      </Row>
      <h2>Where you are signed in</h2>
      {problem && <ProblemNotice problem={problem} />}
      <TableFrame tabIndex={0} role="region" aria-label="Where you are signed in">
        <Table>
          <caption className="aside-from-view">Browsers you are signed in with</caption>
          <thead>
            <tr>
              <th scope="col">Browser</th>
              <th scope="col">From</th>
              <th scope="col">Since</th>
              <th scope="col">Until</th>
              <th scope="col">
                <span className="aside-from-view">End it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {sessions.map(({ id, since, until, address, browser }) => (
              <tr key={id}>
                <th scope="row">{browserWords(browser)}</th>
                <td>{address ?? 'not known'}</td>
                <td>
                  <When at={since} />
                </td>
                <td>{new Date(until).toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })}</td>
                <td>
                  {id === here ? (
                    'This one'
                  ) : (
                    <Button
                      onPress={() => void end('end-session', { session: id })}
                      aria-label={`End it: ${browserWords(browser)}, since ${since.slice(0, 16).replace('T', ' ')}`}
                    >
                      End it
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {sessions.length > 1 && (
        <Row>
          <Button onPress={() => void end('end-others', {})}>End all others</Button>
        </Row>
      )}
    </PeopleMain>
  );
}
