'use client';
import type { Problem } from '@inkwell/review';
import { Button } from './Button';
import { ProblemNotice } from './ProblemNotice';
import { Main } from './Shell';

/** A whole screen that could not be shown: what happened, and a way on. */
export function ProblemScreen({ problem }: { problem: Pick<Problem, 'what' | 'why' | 'kept' | 'next'> }) {
  return (
    <Main id="content">
      <h1>This screen cannot be shown just now</h1>
      <ProblemNotice problem={problem}>
        <p>
          <Button onPress={() => window.location.reload()}>Try again</Button>
        </p>
      </ProblemNotice>
    </Main>
  );
}
