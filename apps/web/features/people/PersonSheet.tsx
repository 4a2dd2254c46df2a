'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import { Button, DownloadLink } from '@/ui/Button';
import { DayBox, TextBox } from '@/ui/Field';
import { Lines, Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Fields } from './InviteSheet';
import { NEW_PART, partOf, PartPicks } from './PartPicks';
import { partWords, type PersonRow } from './words';

interface PersonProps {
  person: PersonRow;
  collections: readonly { slug: string; title: string }[];
  onClose(): void;
  onDone(words: string): Promise<void>;
}

/** One person: their parts, their sessions, and how they go. */
export function PersonSheet({ person, collections, onClose, onDone }: PersonProps) {
  const { id, name, email, memberships, leaves, signsIn, hasSecondFactor, lastSeen } = person;
  const [department, setDepartment] = useState(person.department ?? '');
  const [part, setPart] = useState(NEW_PART);
  const [day, setDay] = useState('');
  const [sure, setSure] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const act = async (which: string, body: object, words: string) => {
    const sent = await send<unknown>(`/api/people/${which}`, { person: id, ...body });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) await onDone(words);
    return sent.ok;
  };
  return (
    <Sheet title={name} open onClose={onClose} problem={problem}>
      <p>{email ?? 'Nobody writes to them: they have no address here.'}</p>
      <h3>Parts</h3>
      <Lines>
        {memberships.map((own) => (
          <li key={own.id}>
            {partWords(own)}{' '}
            <Button
              aria-label={`Take it away: ${partWords(own)}`}
              onPress={() => void act('take-part', { part: own.id }, `${name} is no longer ${partWords(own)}.`)}
            >
              Take it away
            </Button>
          </li>
        ))}
        {memberships.length === 0 && <li>None: they see nothing.</li>}
      </Lines>
      <Fields
        onSubmit={(event) => {
          event.preventDefault();
          void act('give-part', partOf(part), `${name} has another part.`);
        }}
      >
        <Row>
          <PartPicks part={part} collections={collections} onChange={setPart} />
          <Button type="submit">Give it</Button>
        </Row>
      </Fields>
      <h3>Department</h3>
      <Fields
        onSubmit={(event) => {
          event.preventDefault();
          void act('department', { department }, `The department of ${name} is kept.`);
        }}
      >
        <Row>
          <TextBox label="Department" value={department} onChange={setDepartment} autoComplete="off" />
          <Button type="submit" isDisabled={department.trim() === (person.department ?? '')}>
            Keep it
          </Button>
        </Row>
      </Fields>
      <h3>Signing in</h3>
      <Row>
        {!signsIn && email !== null && (
          <Button onPress={() => void act('invite-again', {}, `${name} is invited again; the link before is good no more.`)}>
            Invite again
          </Button>
        )}
        {hasSecondFactor && (
          <Button onPress={() => void act('end-second-factor', {}, `${name} needs no second factor any more.`)}>
            Take the second factor away
          </Button>
        )}
        {lastSeen !== null && (
          <Button onPress={() => void act('end-sessions', {}, `${name} is signed out everywhere.`)}>Sign them out everywhere</Button>
        )}
      </Row>
      <Row>
        <DownloadLink href={`/api/person-data?person=${encodeURIComponent(id)}`} download>
          Download what is held of them
        </DownloadLink>
      </Row>
      <h3>Leaving</h3>
      {leaves === null ? (
        <Row>
          <DayBox label="From" value={day} onChange={setDay} />
          <Button isDisabled={day === ''} onPress={() => void act('leave', { day }, `${name} may do nothing from ${day} on.`)}>
            Let them leave
          </Button>
        </Row>
      ) : (
        <Row>
          <span>{`From ${leaves} on they may do nothing.`}</span>
          <Button onPress={() => void act('leave', { day: null }, `${name} stays.`)}>Let them stay</Button>
        </Row>
      )}
      <Row>
        {sure ? (
          <>
            <span>Their address, login and parts go; what they did stays in the record under their name.</span>
            <Button
              $look="main"
              onPress={() =>
                void act('remove', {}, `${name} was removed; the record keeps their name.`).then((isDone) => {
                  if (isDone) onClose();
                })
              }
            >
              Remove them
            </Button>
            <Button onPress={() => setSure(false)}>Keep them</Button>
          </>
        ) : (
          <Button onPress={() => setSure(true)}>Remove them…</Button>
        )}
      </Row>
      <Row>
        <Button onPress={onClose}>Close</Button>
      </Row>
    </Sheet>
  );
}
