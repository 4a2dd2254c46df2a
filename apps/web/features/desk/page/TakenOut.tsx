'use client';
import type { Desk, Problem } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';

const Band = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: center;
  padding: 0.5rem 1.25rem;
  background: var(--gallWash);
`;

/** A page that is taken out says so, and has the way back. */
export function TakenOut({ desk, may, onBack }: { desk: Desk; may: boolean; onBack(): void }) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const back = async () => {
    const sent = await send(`/api/collections/${encodeURIComponent(desk.collection.slug)}/bring-pages`, { pages: [desk.slug] });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) onBack();
  };
  return (
    <>
      {problem && <ProblemNotice problem={problem} />}
      <Band>
        <span role="status">This page is taken out of its collection.</span>
        {may && <Button onPress={() => void back()}>Bring it back</Button>}
      </Band>
    </>
  );
}
