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

/** Asking for a link to choose a new password with. */
export function PasswordScreen() {
  const [email, setEmail] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [asked, setAsked] = useState(false);
  const go = async () => {
    const sent = await send<null>('/api/password', { email });
    setProblem(sent.ok ? null : sent.problem);
    setAsked(sent.ok);
  };
  return (
    <Door title="A new password">
      {problem && <ProblemNotice problem={problem} />}
      <p role="status">
        {asked && 'If somebody has this address here, a message with a link is on its way to it. The link is good for an hour.'}
      </p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <TextBox label="E-mail address" type="email" autoComplete="username" value={email} onChange={setEmail} required />
        <Row>
          <Button type="submit" $look="main" isDisabled={email.trim() === ''}>
            Send the link
          </Button>
          <Link href="/sign-in">Back to signing in</Link>
        </Row>
      </form>
    </Door>
  );
}
