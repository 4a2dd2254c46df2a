'use client';
import type { Problem, TokenLine, TokenReach } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Small, Table, TableFrame } from '@/ui/Table';
import { When } from '@/ui/When';
import { PeopleMain } from './Door';
import { Fields } from './InviteSheet';

export type TokenRow = Omit<TokenLine, 'madeAt' | 'until' | 'usedAt'> & { madeAt: string; until: string; usedAt: string | null };

const REACHES: readonly { reach: TokenReach; label: string }[] = [
  { reach: 'check', label: 'check: look at texts, keep nothing' },
  { reach: 'read', label: 'read: collections, pages, findings' },
  { reach: 'bring-in', label: 'bring-in: texts and packages' },
  { reach: 'decide', label: 'decide: rule, let stand, hand out' },
  { reach: 'publish', label: 'publish: sign off, publish' },
  { reach: 'admin', label: 'admin: webhooks' },
];

interface TokensProps {
  tokens: readonly TokenRow[];
  /** What time it is on the server. */
  now: string;
}

/** Tokens with which programs act for people: made, shown once, revoked. */
export function TokensScreen({ tokens, now }: TokensProps) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const revoke = async (name: string) => {
    const sent = await send<null>('/api/people/end-token', { name });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.refresh();
  };
  return (
    <PeopleMain id="content">
      <h1>Tokens</h1>
      <p>With a token a program acts for a person, as far as the token reaches and the person may.</p>
      <Row>
        <Button $look="main" onPress={() => setMaking(true)}>
          Make a token…
        </Button>
        <Link href="/calls">What programs may ask</Link>
      </Row>
      {problem && <ProblemNotice problem={problem} />}
      {tokens.length === 0 && <p>There are none.</p>}
      {tokens.length > 0 && (
        <TableFrame tabIndex={0} role="region" aria-label="Tokens">
          <Table>
            <caption className="aside-from-view">Tokens by name</caption>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Reach</th>
                <th scope="col">Good until</th>
                <th scope="col">Used</th>
                <th scope="col">
                  <span className="aside-from-view">Revoke it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {tokens.map(({ id, name, personName, reach, until, usedAt }) => (
                <tr key={id}>
                  <th scope="row">
                    {name}
                    <Small>{`for ${personName}`}</Small>
                  </th>
                  <td>{reach.join(', ')}</td>
                  <td>{until < now ? `ran out on ${until.slice(0, 10)}` : until.slice(0, 10)}</td>
                  <td>{usedAt === null ? 'never' : <When at={usedAt} />}</td>
                  <td>
                    <Button onPress={() => void revoke(name)} aria-label={`Revoke it: ${name}`}>
                      Revoke it
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableFrame>
      )}
      {making && (
        <MakeSheet
          onClose={() => {
            setMaking(false);
            router.refresh();
          }}
        />
      )}
    </PeopleMain>
  );
}

function MakeSheet({ onClose }: { onClose(): void }) {
  const [name, setName] = useState('');
  const [as, setAs] = useState('');
  const [days, setDays] = useState('90');
  const [reach, setReach] = useState<readonly TokenReach[]>(['check']);
  const [made, setMade] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const make = async () => {
    const sent = await send<{ token: string }>('/api/people/new-token', { name, as: as.trim() || null, reach, days: Number(days) });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setMade(sent.value.token);
  };
  return (
    <Sheet title="Make a token" open onClose={onClose} problem={problem}>
      {made !== null ? (
        <Fields onSubmit={(event) => event.preventDefault()}>
          <p>Keep it where only the program reads it: it is not shown again.</p>
          <TextBox label="The token, shown this once" value={made} onChange={() => undefined} readOnly autoFocus />
          <Row>
            <Button $look="main" onPress={onClose}>
              Close
            </Button>
          </Row>
        </Fields>
      ) : (
        <Fields
          onSubmit={(event) => {
            event.preventDefault();
            void make();
          }}
        >
          <TextBox label="Name" value={name} onChange={setName} autoComplete="off" />
          <TextBox label="Address of whom it acts for; empty: the first administrator" value={as} onChange={setAs} autoComplete="off" />
          <TextBox label="Good for, in days" inputMode="numeric" value={days} onChange={setDays} />
          {REACHES.map((one) => (
            <Tick
              key={one.reach}
              label={one.label}
              on={reach.includes(one.reach)}
              onChange={(on) => setReach(on ? [...reach, one.reach] : reach.filter((other) => other !== one.reach))}
            />
          ))}
          <Row>
            <Button type="submit" $look="main" isDisabled={name.trim() === '' || reach.length === 0 || !/^\d{1,4}$/.test(days.trim())}>
              Make it
            </Button>
            <Button onPress={onClose}>Cancel</Button>
          </Row>
        </Fields>
      )}
    </Sheet>
  );
}
