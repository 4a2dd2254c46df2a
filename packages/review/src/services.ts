import type { Database } from '@inkwell/store';
import type { Engine } from './engine/index.ts';

/** What use-cases stand on. */
export interface Services {
  db: Database;
  engine: Engine;
  /** The clock: a test sets it. */
  now: () => Date;
}

const formats = new Map<string, Intl.DateTimeFormat>();

/** The day it is in a time zone, as YYYY-MM-DD. */
export function dayIn(timeZone: string, now: Date): string {
  let format = formats.get(timeZone);
  if (!format)
    formats.set(timeZone, (format = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' })));
  return format.format(now);
}

/** Whether a text is a day there is, as YYYY-MM-DD. */
export function isDay(text: string): boolean {
  const day = new Date(`${text}T00:00:00Z`);
  return /^\d{4}-\d\d-\d\d$/.test(text) && !Number.isNaN(day.getTime()) && day.toISOString().slice(0, 10) === text;
}
