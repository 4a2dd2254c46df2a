'use client';
import type { MendView, Problem } from '@inkwell/review';
import { useCallback, useEffect, useRef, useState } from 'react';
import { send, type Sent } from '@/ui/send';

const ASK_MS = 500;
/** Acts that are kept in sight. */
const MOST = 20;
/** When it is looked again after files were changed, in ms. */
const LATER_MS = [1_500, 4_000, 10_000];

export interface Going {
  together: string;
  view: MendView | null;
}

/** What is done from a register, in the background: begun, asked after until it is over, taken back. The latest first. */
export function useMend(onDone: () => void) {
  const [all, setAll] = useState<readonly Going[]>([]);
  const [problem, setProblem] = useState<Problem | null>(null);
  const done = useRef(onDone);
  done.current = onDone;
  const look = useCallback(async (together: string) => {
    const shown = await send<MendView>(`/api/mends/${together}/show`, {});
    if (!shown.ok) return setProblem(shown.problem);
    setAll((now) => now.map((one) => (one.together === together ? { together, view: shown.value } : one)));
    if (shown.value.waiting > 0) return;
    done.current();
    // Pages that a changed style sheet dresses are looked at again in the background.
    if (shown.value.files > 0) for (const ms of LATER_MS) setTimeout(() => done.current(), ms);
  }, []);
  const waiting = all.filter(({ view }) => view === null || view.waiting > 0).map(({ together }) => together);
  const names = waiting.join(' ');
  useEffect(() => {
    if (names === '') return;
    const timer = setInterval(() => names.split(' ').forEach((together) => void look(together)), ASK_MS);
    return () => clearInterval(timer);
  }, [names, look]);
  const begin = useCallback(
    async (body: object, act: 'mend' | 'recolour' | 'keep-copy' = 'mend'): Promise<boolean> => {
      const sent: Sent<{ together: string }> = await send(`/api/registers/${act}`, body);
      setProblem(sent.ok ? null : sent.problem);
      if (!sent.ok) return false;
      setAll((now) => [{ together: sent.value.together, view: null }, ...now].slice(0, MOST));
      void look(sent.value.together);
      return true;
    },
    [look],
  );
  const takeBack = useCallback(
    async (together: string) => {
      const sent = await send(`/api/mends/${together}/take-back`, {});
      setProblem(sent.ok ? null : sent.problem);
      if (sent.ok) await look(together);
    },
    [look],
  );
  /** Follows something that was begun elsewhere. */
  const follow = useCallback(
    (together: string) => {
      setAll((now) => [{ together, view: null }, ...now].slice(0, MOST));
      void look(together);
    },
    [look],
  );
  return { all, problem, begin, follow, takeBack, dismiss: () => setProblem(null) };
}

export type Mending = ReturnType<typeof useMend>;
