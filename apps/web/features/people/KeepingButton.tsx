'use client';
import type { KeptDays, Problem } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Fields } from './InviteSheet';

const KEPT: readonly [keyof KeptDays, string][] = [
  ['messages', 'Messages'],
  ['deeds', 'The record of who did what to people and the house'],
  ['times', 'Working times'],
];

/** For how long what is about people is kept. */
export function KeepingButton({ days, onDone }: { days: KeptDays; onDone(words: string): void }) {
  const [open, setOpen] = useState(false);
  const [now, setNow] = useState(days);
  const [typed, setTyped] = useState<Record<keyof KeptDays, string>>(() => words(days));
  const [problem, setProblem] = useState<Problem | null>(null);
  const close = () => {
    setOpen(false);
    setTyped(words(now));
    setProblem(null);
  };
  const keep = async () => {
    const wish = Object.fromEntries(KEPT.map(([name]) => [name, Number(typed[name].trim() || '0')]));
    const sent = await send<KeptDays>('/api/people/keeping', wish);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setNow(sent.value);
    setOpen(false);
    onDone('How long things are kept is set. What is older goes within a day.');
  };
  return (
    <>
      <Button $look="quiet" onPress={() => setOpen(true)}>
        How long things are kept…
      </Button>
      <Sheet title="How long things are kept" open={open} onClose={close} problem={problem}>
        <Fields
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <p>In days; 0 keeps them for good. What was done to pages is their history, and stays with them.</p>
          {KEPT.map(([name, label]) => (
            <TextBox
              key={name}
              label={`${label}, days`}
              inputMode="numeric"
              value={typed[name]}
              onChange={(value) => setTyped({ ...typed, [name]: value })}
            />
          ))}
          <Row>
            <Button type="submit" $look="main">
              Keep them so long
            </Button>
            <Button onPress={close}>Cancel</Button>
          </Row>
        </Fields>
      </Sheet>
    </>
  );
}

const words = (days: KeptDays) => ({ messages: String(days.messages), deeds: String(days.deeds), times: String(days.times) });
