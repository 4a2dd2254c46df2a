'use client';
import { lookup } from '@inkwell/core';
import type { DeliveryLine, HookLine, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { When } from '@/ui/When';

const EVENT_WORDS: Readonly<Record<string, string>> = {
  'page.held': 'a page is held',
  'page.ready': 'a page is ready',
  'page.signed': 'a page is signed off',
  'page.published': 'a page is published',
  'page.lapsed': 'a sign-off lapses',
  'finding.returned': 'a finding comes back',
};

interface WebhooksProps {
  hooks: readonly HookLine[];
  /** The one whose messages are shown. */
  of: number | null;
  sent: { lines: readonly DeliveryLine[]; next: string | null } | null;
}

/** Addresses that are told of events: made, ended, and what was sent to each. */
export function WebhooksScreen({ hooks, of, sent }: WebhooksProps) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const ask = async (address: string, wish: object) => {
    const done = await send<null>(address, wish);
    setProblem(done.ok ? null : done.problem);
    if (done.ok) router.refresh();
  };
  return (
    <Main id="content">
      <h1>Webhooks</h1>
      <p>Another program is told at once when something happens. What it does not receive is sent again for a day.</p>
      <Row>
        <Button $look="main" onPress={() => setMaking(true)}>
          Make a webhook…
        </Button>
        <Link href="/calls">What programs may ask</Link>
      </Row>
      {problem && <ProblemNotice problem={problem} />}
      {hooks.length === 0 ? <p>There are none.</p> : <Hooks hooks={hooks} onEnd={(id) => void ask('/api/webhooks/end', { id })} />}
      {of !== null && sent && (
        <>
          <h2>{`What was sent to ${hooks.find(({ id }) => id === of)!.url}`}</h2>
          <Sent of={of} sent={sent} onAgain={(delivery) => void ask('/api/webhooks/again', { id: of, delivery })} />
        </>
      )}
      {making && (
        <MakeSheet
          onClose={() => {
            setMaking(false);
            router.refresh();
          }}
        />
      )}
    </Main>
  );
}

function Hooks({ hooks, onEnd }: { hooks: readonly HookLine[]; onEnd(id: number): void }) {
  return (
    <TableFrame tabIndex={0} role="region" aria-label="Webhooks">
      <Table>
        <caption className="aside-from-view">Webhooks</caption>
        <thead>
          <tr>
            <th scope="col">Address</th>
            <th scope="col">Told when</th>
            <th scope="col">Messages</th>
            <th scope="col">
              <span className="aside-from-view">End it</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {hooks.map(({ id, url, events, by, waiting, received, givenUp }) => (
            <tr key={id}>
              <th scope="row">
                {url}
                <Small>{`made by ${by}`}</Small>
              </th>
              <td>{events.map((one) => lookup(EVENT_WORDS, one) ?? one).join(', ')}</td>
              <td>
                <Link href={`/webhooks?of=${id}`}>{`What was sent to no. ${id}`}</Link>
                <Small>
                  {[`${received} received`, waiting > 0 && `${waiting} waiting`, givenUp > 0 && `${givenUp} given up`]
                    .filter(Boolean)
                    .join(', ')}
                </Small>
              </td>
              <td>
                <Button onPress={() => onEnd(id)} aria-label={`End it: ${url}`}>
                  End it
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}

function Sent({ of, sent, onAgain }: { of: number; sent: NonNullable<WebhooksProps['sent']>; onAgain(id: string): void }) {
  if (sent.lines.length === 0) return <p>Nothing yet.</p>;
  return (
    <>
      <TableFrame tabIndex={0} role="region" aria-label="Messages">
        <Table>
          <caption className="aside-from-view">Messages, the newest first</caption>
          <thead>
            <tr>
              <th scope="col">What happened</th>
              <th scope="col">Stands</th>
              <th scope="col">Answered</th>
              <th scope="col">
                <span className="aside-from-view">Send it again</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {sent.lines.map((line) => (
              <tr key={line.id}>
                <th scope="row">
                  {`${lookup(EVENT_WORDS, line.type) ?? line.type}${line.page ? `: ${line.page}` : ''}`}
                  <Small>
                    <When at={line.madeAt} />
                  </Small>
                </th>
                <td>
                  {line.state}
                  <Small>{line.tries === 1 ? 'tried once' : `tried ${line.tries} times`}</Small>
                </td>
                <td>
                  {line.status ?? ''}
                  <Small>{line.answer}</Small>
                </td>
                <td>
                  <Button onPress={() => onAgain(line.id)} aria-label={`Send it again: ${line.type} ${line.event}`}>
                    Send it again
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {sent.next !== null && <Link href={`/webhooks?of=${of}&before=${sent.next}`}>Older messages</Link>}
    </>
  );
}

function MakeSheet({ onClose }: { onClose(): void }) {
  const [url, setUrl] = useState('');
  const [events, setEvents] = useState<readonly string[]>(['page.published', 'page.lapsed']);
  const [made, setMade] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const make = async () => {
    const sent = await send<{ secret: string }>('/api/webhooks/new', { url, events });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setMade(sent.value.secret);
  };
  if (made !== null)
    return (
      <Sheet title="Make a webhook" open onClose={onClose}>
        <p>Messages are signed with this secret. It is not shown again.</p>
        <TextBox label="The secret, shown this once" value={made} onChange={() => undefined} readOnly autoFocus />
        <Row>
          <Button $look="main" onPress={onClose}>
            Close
          </Button>
        </Row>
      </Sheet>
    );
  return (
    <Sheet title="Make a webhook" open onClose={onClose} problem={problem}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
        style={{ display: 'grid', gap: '0.75rem' }}
      >
        <TextBox label="Address" value={url} onChange={setUrl} autoComplete="off" />
        <fieldset>
          <legend>Told when</legend>
          {Object.entries(EVENT_WORDS).map(([name, label]) => (
            <Tick
              key={name}
              label={label}
              on={events.includes(name)}
              onChange={(on) => setEvents(on ? [...events, name] : events.filter((one) => one !== name))}
            />
          ))}
        </fieldset>
        <Row>
          <Button type="submit" $look="main" isDisabled={url.trim() === '' || events.length === 0}>
            Make it
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </form>
    </Sheet>
  );
}
