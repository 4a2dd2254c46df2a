'use client';
import type { Problem, RegisterShown, ThingLine } from '@inkwell/review';
import { useCallback, useEffect, useRef, useState } from 'react';
import { send } from '@/ui/send';

/** Lines that come at one time, as the server tells them. */
const WINDOW = 100;

/** The lines of a choice as far as they were looked at: fetched a hundred at a time, where they are scrolled to. */
export function useLines(collection: string | null, first: RegisterShown) {
  const [shown, setShown] = useState(first);
  const [lines, setLines] = useState<ReadonlyMap<number, ThingLine>>(() => linesAt(0, first.lines));
  const [problem, setProblem] = useState<Problem | null>(null);
  const asked = useRef(new Set([0]));
  const choice = JSON.stringify(first.choice);
  // Another choice begins anew.
  const last = useRef(first);
  useEffect(() => {
    if (last.current === first) return;
    last.current = first;
    asked.current = new Set([0]);
    setShown(first);
    setLines(linesAt(0, first.lines));
  }, [first]);
  const fetchAt = useCallback(
    async (from: number, anew = false) => {
      const sent = await send<RegisterShown>('/api/registers/lines', { collection, choice: JSON.parse(choice) as object, skip: from });
      setProblem(sent.ok ? null : sent.problem);
      if (!sent.ok) {
        asked.current.delete(from);
        return null;
      }
      const fresh = linesAt(from, sent.value.lines);
      setShown(sent.value);
      setLines((now) => new Map([...(anew ? [] : now), ...fresh]));
      return fresh;
    },
    [collection, choice],
  );
  /** Says which lines are in sight. */
  const see = useCallback(
    (start: number, end: number) => {
      for (let from = Math.floor(start / WINDOW) * WINDOW; from <= end; from += WINDOW) {
        if (asked.current.has(from)) continue;
        asked.current.add(from);
        void fetchAt(from);
      }
    },
    [fetchAt],
  );
  /** Looks again at what is in sight from a line on; the rest is fetched anew when it is scrolled to. */
  const again = useCallback(
    async (at: number) => {
      const from = Math.floor(Math.max(0, at) / WINDOW) * WINDOW;
      asked.current = new Set([from]);
      return fetchAt(from, true);
    },
    [fetchAt],
  );
  return { shown, lines, problem, see, again };
}

function linesAt(from: number, lines: readonly ThingLine[]): Map<number, ThingLine> {
  return new Map(lines.map((line, nth) => [from + nth, line]));
}
