'use client';
import type { Problem, StrokeView } from '@inkwell/review';
import { useEffect, useState } from 'react';
import { send, type Sent } from '@/ui/send';
import { isUnderWay } from './stroke';

const ASK_MS = 700;

/** Something done to many pages in the background: begun, asked after until it is over, taken back. */
export function useStroke() {
  const [made, setMade] = useState<StrokeView | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const going = made !== null && isUnderWay(made);
  const id = made?.id;
  const look = async (stroke: number) => {
    const shown = await send<StrokeView>(`/api/strokes/${stroke}/show`, {});
    setProblem(shown.ok ? null : shown.problem);
    if (shown.ok) setMade(shown.value);
  };
  useEffect(() => {
    if (!going || id === undefined) return;
    const timer = setInterval(() => void look(id), ASK_MS);
    return () => clearInterval(timer);
  }, [going, id]);
  const told = async <T>(sent: Promise<Sent<T>>, then: (value: T) => number) => {
    const answer = await sent;
    if (answer.ok) await look(then(answer.value));
    else setProblem(answer.problem);
  };
  return {
    made,
    problem,
    begin: (address: string, body: object) => told(send<{ stroke: number }>(address, body), ({ stroke }) => stroke),
    takeBack: async () => (id === undefined ? undefined : told(send<unknown>(`/api/strokes/${id}/take-back`, {}), () => id)),
    forget() {
      setMade(null);
      setProblem(null);
    },
  };
}
