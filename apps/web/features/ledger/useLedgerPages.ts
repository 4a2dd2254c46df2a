'use client';
import type { Ledger, LedgerRow, Problem } from '@inkwell/review';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ask } from '@/ui/send';
import { queryOf } from './choice';

/** The pages of a choice that have been read so far, and how to read on. What is shown anew begins with its first pages again. */
export function useLedgerPages(ledger: Ledger) {
  const [read, setRead] = useState<{ pages: readonly LedgerRow[]; next: string | null }>(ledger);
  const [problem, setProblem] = useState<Problem | null>(null);
  const reading = useRef(false);
  const shown = useRef(ledger);
  useEffect(() => {
    shown.current = ledger;
    setRead(ledger);
  }, [ledger]);
  const { next } = read;
  const { slug, choice } = ledger;
  const more = useCallback(async () => {
    if (next === null || reading.current) return;
    reading.current = true;
    const query = queryOf({ ...choice, after: next });
    const came = await ask<{ pages: LedgerRow[]; next: string | null }>(`/api/collections/${encodeURIComponent(slug)}/ledger?${query}`);
    reading.current = false;
    // What was read for a choice that is shown no longer is left.
    if (shown.current !== ledger) return;
    setProblem(came.ok ? null : came.problem);
    if (came.ok) setRead((now) => ({ pages: [...now.pages, ...came.value.pages], next: came.value.next }));
  }, [next, choice, slug, ledger]);
  return { pages: read.pages, next, more, problem };
}
