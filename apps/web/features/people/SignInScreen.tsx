'use client';
import type { Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Lines, Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Door } from './Door';
import { SecondStep } from './SecondStep';

interface SignInProps {
  next: string;
  /** In the demo: whoever is let in with one press. */
  people: readonly { id: string; name: string; role: string }[];
  /** What the house's own sign-on is called; null where it has none. */
  signOn: string | null;
  /** Whether the house's own sign-on led back without letting in. */
  turnedAway: boolean;
}

const TURNED_AWAY: Problem = {
  code: 'not-allowed',
  what: 'You were not let in',
  why: 'Nobody with the address that the sign-on tells of has a part here, or it was broken off.',
  kept: 'Nothing was changed.',
  next: 'Ask whoever looks after people here to invite that address.',
};

/** Signing in, with a password; in the demo also as anybody with one press. */
export function SignInScreen({ next, people, signOn, turnedAway }: SignInProps) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<Problem | null>(turnedAway ? TURNED_AWAY : null);
  const [asksSecond, setAsksSecond] = useState(false);
  const [busy, setBusy] = useState(false);
  const enter = async (address: string, body: object) => {
    setBusy(true);
    const sent = await send<{ asksSecond?: boolean } | null>(address, body);
    if (sent.ok && sent.value?.asksSecond) {
      setBusy(false);
      setPassword('');
      setProblem(null);
      return setAsksSecond(true);
    }
    // A whole new page: nothing of whoever sat here before stays in it.
    if (sent.ok) return window.location.assign(next);
    setBusy(false);
    setPassword('');
    setProblem(sent.problem);
  };
  const go = async () => {
    setBusy(true);
    const sent = await send<{ address: string }>('/api/sign-on', { next });
    if (sent.ok) return window.location.assign(sent.value.address);
    setBusy(false);
    setProblem(sent.problem);
  };
  if (asksSecond) return <SecondStep next={next} onBack={() => setAsksSecond(false)} />;
  return (
    <Door title="Sign in">
      {problem && <ProblemNotice problem={problem} />}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void enter('/api/sign-in', { email, password });
        }}
      >
        <TextBox label="E-mail address" type="email" autoComplete="username" value={email} onChange={setEmail} required />
        <TextBox label="Password" type="password" autoComplete="current-password" value={password} onChange={setPassword} required />
        <Row>
          <Button type="submit" $look="main" isDisabled={busy || email.trim() === '' || password === ''}>
            Sign in
          </Button>
          <Link href="/password">I need a new password</Link>
        </Row>
      </form>
      {signOn !== null && (
        <Row>
          <Button isDisabled={busy} onPress={() => void go()}>{`Sign in with ${signOn}`}</Button>
        </Row>
      )}
      {people.length > 0 && (
        <section aria-label="People of the demo">
          <h2>This is the demo</h2>
          <p>Come in as whoever you like:</p>
          <Lines>
            {people.map(({ id, name, role }) => (
              <li key={id}>
                <Button isDisabled={busy} onPress={() => void enter('/api/person', { person: id })}>{`${name}, ${role}`}</Button>
              </li>
            ))}
          </Lines>
        </section>
      )}
    </Door>
  );
}
