'use client';
import type { Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Door } from './Door';

interface LinkProps {
  secret: string;
  name: string;
  email: string;
  shortest: number;
}

/** Choosing a password, by a link that was sent. */
export function LinkScreen({ secret, name, email, shortest }: LinkProps) {
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const length = [...password].length;
  const choose = async () => {
    setBusy(true);
    const sent = await send<null>('/api/link', { secret, password });
    if (sent.ok) return window.location.assign('/home');
    setBusy(false);
    setProblem(sent.problem);
  };
  return (
    <Door title={`Hello ${name}`}>
      {problem && <ProblemNotice problem={problem} />}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void choose();
        }}
      >
        <p>{`You sign in with ${email} and the password that you choose here.`}</p>
        <TextBox
          label="Password"
          type="password"
          autoComplete="new-password"
          value={password}
          onChange={setPassword}
          required
          hint={`${shortest} characters or more; several words that do not belong together are good. ${length} so far.`}
        />
        <Row>
          <Button type="submit" $look="main" isDisabled={busy || length < shortest}>
            Choose it and come in
          </Button>
        </Row>
      </form>
    </Door>
  );
}

/** A link that is no longer good. */
export function SpentLink({ problem }: { problem: Problem }) {
  return (
    <Door title="This link leads nowhere any more">
      <ProblemNotice problem={problem} />
      <p>
        <Link href="/password">Ask for a new password</Link> or <Link href="/sign-in">sign in</Link>.
      </p>
    </Door>
  );
}
