'use client';
import type { KeptDays, PeopleShown, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/ui/Button';
import { SearchBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Small, Table, TableFrame } from '@/ui/Table';
import { useLater } from '@/ui/useLater';
import { When } from '@/ui/When';
import { PeopleMain } from './Door';
import { InviteSheet } from './InviteSheet';
import { KeepingButton } from './KeepingButton';
import { PersonSheet } from './PersonSheet';
import { RollButtons } from './RollButtons';
import { partWords, type PersonRow } from './words';

export interface PeopleProps {
  people: readonly PersonRow[];
  next: PeopleShown['next'];
  collections: readonly { slug: string; title: string }[];
  keeping: KeptDays;
}

/** Whoever has a part here: put in, given parts, let go. */
export function PeopleScreen({ people, next, collections, keeping }: PeopleProps) {
  const list = usePeople(people, next);
  const [open, setOpen] = useState<string | null>(null);
  const [inviting, setInviting] = useState(false);
  const [said, setSaid] = useState('');
  const inHand = list.people.find(({ id }) => id === open);
  const done = async (words: string) => {
    setSaid(words);
    await list.again();
  };
  return (
    <PeopleMain id="content">
      <h1>People</h1>
      <p>Whoever has a part here. What somebody did stays in the record when they go.</p>
      <Row>
        <SearchBox label="Find" value={list.words} onChange={list.setWords} />
        <Button $look="main" onPress={() => setInviting(true)}>
          Invite somebody…
        </Button>
        <Link href="/outbox">Messages that went out</Link>
        <Link href="/deeds">Record</Link>
        <Link href="/tokens">Tokens</Link>
        <Link href="/webhooks">Webhooks</Link>
        <RollButtons onDone={done} />
        <KeepingButton days={keeping} onDone={setSaid} />
      </Row>
      <p role="status">{said}</p>
      {list.problem && <ProblemNotice problem={list.problem} />}
      <TableFrame tabIndex={0} role="region" aria-label="People">
        <Table>
          <caption className="aside-from-view">People by name</caption>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Parts</th>
              <th scope="col">Signed in</th>
            </tr>
          </thead>
          <tbody>
            {list.people.map((person) => (
              <tr key={person.id}>
                <th scope="row">
                  <Button $look="quiet" onPress={() => setOpen(person.id)}>
                    {person.name}
                  </Button>
                  <Small>{[person.email ?? 'no address', person.department].filter(Boolean).join(', ')}</Small>
                </th>
                <td>{person.memberships.map(partWords).join('; ') || 'none'}</td>
                <td>
                  <Standing person={person} />
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {list.next && (
        <Row>
          <Button onPress={() => void list.more()}>More people</Button>
        </Row>
      )}
      {inviting && (
        <InviteSheet
          collections={collections}
          onClose={() => setInviting(false)}
          onDone={(name) => {
            setInviting(false);
            void done(`${name} is invited. The link is among the messages that went out.`);
          }}
        />
      )}
      {inHand && <PersonSheet key={inHand.id} person={inHand} collections={collections} onClose={() => setOpen(null)} onDone={done} />}
    </PeopleMain>
  );
}

function Standing({ person: { leaves, lastSeen, signsIn, invitedUntil } }: { person: PersonRow }) {
  if (leaves !== null) return `${leaves <= new Date().toISOString().slice(0, 10) ? 'Left' : 'Leaves'} on ${leaves}`;
  if (lastSeen !== null) return <When at={lastSeen} />;
  if (signsIn) return 'Not now';
  return invitedUntil !== null ? `Invited until ${invitedUntil.slice(0, 10)}` : 'Not invited';
}

/** People by the words somebody looks for, a hundred at a time. */
function usePeople(first: readonly PersonRow[], firstNext: PeopleShown['next']) {
  const [words, setWords] = useState('');
  const [shown, setShown] = useState({ people: first, next: firstNext });
  const [problem, setProblem] = useState<Problem | null>(null);
  const later = useLater(words.trim(), 250);
  const load = async (find: string, after: PeopleShown['next'], before: readonly PersonRow[]) => {
    const sent = await send<{ people: PersonRow[]; next: PeopleShown['next'] }>('/api/people/find', { words: find, after });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setShown({ people: [...before, ...sent.value.people], next: sent.value.next });
  };
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current) void load(later, null, []);
    begun.current = true;
  }, [later]);
  return {
    ...shown,
    words,
    setWords,
    problem,
    again: () => load(later, null, []),
    more: () => load(later, shown.next, shown.people),
  };
}
