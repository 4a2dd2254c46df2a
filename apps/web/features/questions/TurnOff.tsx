'use client';
import type { KindView, Problem, StandardSet } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';

const Offer = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.75rem;
  padding: 0.3rem 0.75rem;
  border: 1px dashed var(--edge);
  font-size: 0.875rem;
`;

/** A kind of question whose answer has long been the same is offered to be asked no more. */
export function TurnOff({ kind, maySetStandard }: { kind: KindView | undefined; maySetStandard: boolean }) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  if (!kind) return null;
  const off = async () => {
    const sent = await send<StandardSet>('/api/questions/off', { rule: kind.rule });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.refresh();
  };
  return (
    <>
      {problem && <ProblemNotice problem={problem} />}
      <Offer>
        <span>{`“${kind.title}” was answered “no problem” ${kind.running} times running.`}</span>
        {maySetStandard ? (
          <Button onPress={() => void off()}>{`Ask it no more (${counted(kind.questions, 'question', 'questions')})`}</Button>
        ) : (
          <span>An administrator can turn this kind off.</span>
        )}
      </Offer>
    </>
  );
}
