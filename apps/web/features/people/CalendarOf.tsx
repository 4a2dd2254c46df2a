'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { When } from '@/ui/When';

/** The secret address at which one’s calendar asks what is due: made, made anew, ended. */
export function CalendarOf({ since }: { since: string | null }) {
  const [made, setMade] = useState(since);
  const [address, setAddress] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const make = async () => {
    const sent = await send<{ address: string }>('/api/you/calendar', {});
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setAddress(sent.value.address);
    setMade(new Date().toISOString());
  };
  const end = async () => {
    const sent = await send<null>('/api/you/end-calendar', {});
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setAddress(null);
    setMade(null);
  };
  return (
    <>
      <h2>Your calendar</h2>
      {problem && <ProblemNotice problem={problem} />}
      <p>
        {made === null ? (
          'A calendar can show the days on which something is due to you.'
        ) : (
          <>
            {'A calendar that has your address shows the days on which something is due to you. The address was made '}
            <When at={made} />. Whoever has it can read that, and nothing else.
          </>
        )}
      </p>
      {address !== null && <TextBox label="Its address, shown this once" value={address} onChange={() => undefined} />}
      <Row>
        <Button onPress={() => void make()}>{made === null ? 'Make an address' : 'Make another address'}</Button>
        {made !== null && (
          <Button $look="quiet" onPress={() => void end()}>
            End it
          </Button>
        )}
      </Row>
    </>
  );
}
