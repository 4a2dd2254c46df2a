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
