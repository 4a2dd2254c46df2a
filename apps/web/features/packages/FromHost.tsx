'use client';
import type { Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { Panel, Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';

const KINDS = {
  start: {
    label: 'From one page on',
    field: 'Its address',
    hint: 'Pages of the same host that it leads to, and what they show.',
    go: 'Fetch from here on',
  },
  addresses: {
    label: 'Some pages',
    field: 'Their addresses, one a line',
    hint: 'These pages alone, and what they show.',
    go: 'Fetch these pages',
  },
  sitemap: { label: 'A sitemap', field: 'Its address', hint: 'The pages it names, and what they show.', go: 'Fetch what it names' },
} as const;
type Kind = keyof typeof KINDS;

/** Pages fetched from where they are published. Nothing becomes a page here before it was shown. */
export function FromHost({ hosts, newerOf }: { hosts: readonly string[]; newerOf: string | null }) {
  const router = useRouter();
  const [kind, setKind] = useState<Kind>('start');
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const { field, hint, go } = KINDS[kind];
  const ask = async () => {
    setBusy(true);
    const sent = await send<number>('/api/packages/fetch', { kind, text, ...(newerOf === null ? {} : { newerOf }) });
    if (sent.ok) return router.push(`/bring-in/${sent.value}`);
    setBusy(false);
    setProblem(sent.problem);
  };
  return (
    <Panel as="section" aria-labelledby="from-host">
      <h2 id="from-host">From where it is published</h2>
      {hosts.length === 0 ? (
        <p>No host may be visited yet. Whoever looks after this server names those that may (INKWELL_HOSTS).</p>
      ) : (
        <>
          <p>{`Hosts that may be visited: ${hosts.join(', ')}. What a host asks of visitors (robots.txt) is kept.`}</p>
          <Choice
            label="Fetch"
            hideLabel
            value={kind}
            onChange={(value) => setKind(value as Kind)}
            options={(Object.keys(KINDS) as Kind[]).map((value) => ({ value, label: KINDS[value].label }))}
          />
          <TextBox
            label={field}
            value={text}
            onChange={setText}
            hint={hint}
            {...(kind === 'addresses' ? { passage: true, rows: 5 } : {})}
          />
          {problem && <ProblemNotice problem={problem} />}
          <Row>
            <Button isDisabled={busy || text.trim() === ''} onPress={() => void ask()}>
              {go}
            </Button>
          </Row>
        </>
      )}
    </Panel>
  );
}
