'use client';
import type { ReportShown } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';

interface SampleProps {
  sample: ReportShown['sample'];
  onClose(): void;
  onDraw(wish: { seed: number | null; most: number }): void;
}

const asNumber = (text: string) => (/^\d{1,9}$/.test(text.trim()) ? Number(text) : null);

/** Draws a sample of a collection that is too large to be judged whole. */
export function SampleSheet({ sample, onClose, onDraw }: SampleProps) {
  const [seed, setSeed] = useState(String(sample?.seed ?? 1));
  const [most, setMost] = useState('30');
  const [from, many] = [asNumber(seed), asNumber(most)];
  const isGood = from !== null && many !== null && many >= 1 && many <= 60;
  return (
    <Sheet title="A sample of the pages" open onClose={onClose}>
      <p>
        Pages that stand for the others: where readers begin, each content type, each way of being made up, where most stands open. A tenth
        as many are drawn at random beside them.
      </p>
      <TextBox label="Pages chosen for what they stand for, at most 60" inputMode="numeric" value={most} onChange={setMost} />
      <TextBox label="Seed" inputMode="numeric" value={seed} onChange={setSeed} hint="The same number draws the same pages again." />
      <Row>
        <Button $look="main" isDisabled={!isGood} onPress={() => onDraw({ seed: from, most: many! })}>
          Draw it
        </Button>
        {sample && <Button onPress={() => onDraw({ seed: null, most: 1 })}>Let the sample go</Button>}
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
