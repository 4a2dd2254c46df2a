'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Door } from './Door';

/** The second step of signing in: the code a device shows, or one of those kept for when it is lost. */
export function SecondStep({ next, onBack }: { next: string; onBack(): void }) {
  const [code, setCode] = useState('');
  const [isRecovery, setIsRecovery] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const enter = async () => {
    setBusy(true);
    const sent = await send<null>('/api/sign-in/second', { code, isRecovery });
    if (sent.ok) return window.location.assign(next);
    setBusy(false);
    setCode('');
    setProblem(sent.problem);
  };
  const swap = () => {
    setIsRecovery(!isRecovery);
    setCode('');
    setProblem(null);
  };
  return (
    <Door title="Your second factor">
      {problem && <ProblemNotice problem={problem} />}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void enter();
        }}
      >
        {isRecovery ? (
          <TextBox key="recovery" label="Code for a lost device" value={code} onChange={setCode} autoComplete="off" autoFocus required />
        ) : (
          <TextBox
            key="code"
            label="Code that your device shows"
            value={code}
            onChange={setCode}
            inputMode="numeric"
            autoComplete="one-time-code"
            autoFocus
            required
          />
        )}
        <Row>
          <Button type="submit" $look="main" isDisabled={busy || code.trim() === ''}>
            Sign in
          </Button>
          <Button $look="quiet" onPress={swap}>
            {isRecovery ? 'I have the device' : 'I lost the device'}
          </Button>
          <Button $look="quiet" onPress={onBack}>
            Begin again
          </Button>
        </Row>
      </form>
    </Door>
  );
}
