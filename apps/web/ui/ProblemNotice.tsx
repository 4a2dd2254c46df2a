'use client';
import type { Problem } from '@inkwell/review';
import type { ReactNode } from 'react';
import styled from 'styled-components';

const Notice = styled.div`
  border-left: 4px solid var(--rubric);
  background: var(--rubricWash);
  padding: 0.6rem 0.9rem;
  font-size: 0.9375rem;
  strong {
    display: block;
    font: 600 1rem/1.3 var(--serif);
  }
  p {
    margin-top: 0.2rem;
  }
`;

/** What happened, why, what was kept, what to do next: told at once to those who listen. */
export function ProblemNotice({ problem, children }: { problem: Pick<Problem, 'what' | 'why' | 'kept' | 'next'>; children?: ReactNode }) {
  return (
    <Notice role="alert">
      <strong>{problem.what}</strong>
      {problem.why && <p>{problem.why}</p>}
      {problem.kept && <p>{problem.kept}</p>}
      {problem.next && <p>{problem.next}</p>}
      {children}
    </Notice>
  );
}
