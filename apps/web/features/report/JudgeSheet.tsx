'use client';
import type { Problem, ReportSaid } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';

interface JudgeProps {
  criterion: ReportSaid['criteria'][number];
  onClose(): void;
  onJudge(wish: { outcome: string | null; words: string }): void;
  problem: Problem | null;
}

const OUTCOMES = [
  { value: 'passed', label: 'Passed' },
  { value: 'failed', label: 'Failed' },
  { value: 'cannot tell', label: 'Cannot tell' },
  { value: 'not present', label: 'Not present' },
];

/** What a person says of a criterion as a whole, and how they came to it. */
export function JudgeSheet({ criterion, onClose, onJudge, problem }: JudgeProps) {
  const [outcome, setOutcome] = useState<string>(criterion.judged?.outcome ?? 'passed');
  const [words, setWords] = useState(criterion.judged?.words ?? '');
  return (
    <Sheet title={`${criterion.id} ${criterion.title}`} open onClose={onClose} problem={problem}>
      <p>{criterion.asks}</p>
      <Choice label="As a whole" value={outcome} onChange={setOutcome} options={OUTCOMES} />
      <TextBox
        label="What was tried, and on which pages"
        passage
        rows={4}
        value={words}
        onChange={setWords}
        hint="It stands in the report beside your name and the day. A failure that is open outweighs it."
      />
      <Row>
        <Button $look="main" isDisabled={words.trim() === ''} onPress={() => onJudge({ outcome, words })}>
          Write it down
        </Button>
        {criterion.judged && <Button onPress={() => onJudge({ outcome: null, words: '' })}>Take it back</Button>}
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
