'use client';
import { useEffect, useRef } from 'react';
import type { Desk, Note } from '@inkwell/review';
import { isOpen } from '../note/filter';
import { Stopwatch } from './spent';

const SEND_EVERY_MS = 20_000;

/** Keeps how long each finding is worked on, for whoever has not switched it off. Sent now and then, and when the page is left. */
export function useTimeLog(desk: Desk, inHand: Note | null, on: boolean): void {
  const stopwatch = useRef<Stopwatch | null>(null);
  const before = useRef<{ note: number; revision: number } | null>(null);
  const id = inHand?.id ?? null;

  useEffect(() => {
    if (!on) return;
    const watch = (stopwatch.current ??= new Stopwatch(() => performance.now()));
    watch.show(id, leftBy(desk, before.current));
    before.current = id === null ? null : { note: id, revision: desk.revision.number };
  }, [desk, id, on]);

  useEffect(() => {
    if (!on) return;
    const sign = () => stopwatch.current?.sign();
    const input = () => stopwatch.current?.input();
    const flush = () => send(desk.pageId, stopwatch.current);
    const timer = setInterval(flush, SEND_EVERY_MS);
    document.addEventListener('pointermove', sign, { passive: true });
    document.addEventListener('keydown', sign);
    document.addEventListener('input', input);
    document.addEventListener('visibilitychange', flush);
    return () => {
      clearInterval(timer);
      document.removeEventListener('pointermove', sign);
      document.removeEventListener('keydown', sign);
      document.removeEventListener('input', input);
      document.removeEventListener('visibilitychange', flush);
      flush();
    };
  }, [desk.pageId, on]);
}

/** What became of the note that was at hand: gone with a new revision, settled by a person, or passed by. */
function leftBy(desk: Desk, before: { note: number; revision: number } | null): 'applied' | 'ruled' | 'skipped' | null {
  if (!before) return null;
  const note = desk.notes.find((one) => one.id === before.note);
  if (note && isOpen(note)) return 'skipped';
  return desk.revision.number === before.revision ? 'ruled' : 'applied';
}

function send(pageId: number, stopwatch: Stopwatch | null): void {
  const spent = stopwatch?.take() ?? [];
  // Lost, it costs a measure and no work: nobody is told.
  if (spent.length > 0)
    navigator.sendBeacon?.(
      `/api/pages/${pageId}/time`,
      new Blob([JSON.stringify({ spent: spent.slice(-200) })], { type: 'application/json' }),
    );
}
