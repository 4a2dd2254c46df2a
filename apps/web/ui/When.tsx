'use client';
import { useEffect, useState } from 'react';

const STEPS: readonly [Intl.RelativeTimeFormatUnit, number][] = [
  ['minute', 60],
  ['hour', 3600],
  ['day', 86_400],
];

function relative(at: Date, now: Date): string {
  const seconds = (now.getTime() - at.getTime()) / 1000;
  if (seconds < 60) return 'just now';
  if (seconds > 14 * 86_400) return at.toLocaleDateString(undefined, { dateStyle: 'medium' });
  const [unit, size] = STEPS.findLast(([, step]) => seconds >= step)!;
  return new Intl.RelativeTimeFormat(undefined, { numeric: 'auto' }).format(-Math.floor(seconds / size), unit);
}

/** A moment in the reader's own words; until the browser knows them, its date. */
export function When({ at }: { at: string }) {
  const [words, setWords] = useState(at.slice(0, 10));
  useEffect(() => {
    const date = new Date(at);
    const show = () => setWords(relative(date, new Date()));
    show();
    const timer = setInterval(show, 30_000);
    return () => clearInterval(timer);
  }, [at]);
  return <time dateTime={at}>{words}</time>;
}

/** A day without a time, the same in every zone; until the browser knows the reader's way of writing it, as the standard writes it. */
export function Day({ day }: { day: string }) {
  const [words, setWords] = useState(day);
  useEffect(() => setWords(new Date(`${day}T12:00:00`).toLocaleDateString(undefined, { dateStyle: 'medium' })), [day]);
  return <time dateTime={day}>{words}</time>;
}
