'use client';
import type { Choices, Problem } from '@inkwell/review';
import { useEffect, useRef, useState } from 'react';
import { send } from '@/ui/send';
import { useLater } from '@/ui/useLater';

export interface Chosen<T> {
  choices: readonly T[];
  more: boolean;
  /** Whether what is shown is what the words come to. */
  ready: boolean;
  problem: Problem | null;
  showMore(): void;
}

/** Ms after the last key before the collection is asked. */
const STILL = 150;

/** What a collection has to choose from, as words narrow it, some at a time. `onward`: what to ask for behind those that are shown. */
export function useChoices<T>(address: string, words: string, onward: (shown: readonly T[]) => object): Chosen<T> {
  const asked = useLater(words, STILL);
  const [found, setFound] = useState<{ words: string; choices: readonly T[]; more: boolean } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const next = useRef(onward);
  next.current = onward;
  const wanted = useRef('');
  const ask = async (shown: readonly T[], of: string) => {
    wanted.current = of;
    const sent = await send<Choices<T>>(address, { words: of, ...next.current(shown) });
    if (wanted.current !== of) return;
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setFound({ words: of, choices: [...shown, ...sent.value.choices], more: sent.value.more });
  };
  useEffect(() => {
    void ask([], asked);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [address, asked]);
  return {
    choices: found?.choices ?? [],
    more: found?.more ?? false,
    ready: found?.words === words,
    problem,
    showMore: () => void ask(found?.choices ?? [], asked),
  };
}
