import { estimate, estimateFromSample, learnEffort, type Effort, type Estimate, type Family } from '@inkwell/core';
import { timesTaken, type Database, type HouseRow, type Write } from '@inkwell/store';
import type { Services } from './services.ts';

/** The latest times that are learned from. */
const MOST_TIMES = 4_000;
/** How long what was learned holds before the log is read again, in ms. */
const HOLDS_MS = 60_000;

const learned = new WeakMap<Database, { at: number; effort: Effort }>();

/** What the house's own times say of how long findings take. */
export async function houseEffort({ db, now }: Services, at: Database | Write): Promise<Effort> {
  const known = learned.get(db);
  const time = now().getTime();
  if (known && Math.abs(time - known.at) < HOLDS_MS) return known.effort;
  const effort = learnEffort(await timesTaken(at, MOST_TIMES));
  learned.set(db, { at: time, effort });
  return effort;
}

export interface Cost extends Estimate {
  /** Minutes for each finding where nothing closer is known, and findings that were timed. */
  minutesEach: number;
  samples: number;
  /** What that comes to at the house's rate; null where it has none. */
  money: { from: number; to: number; currency: string } | null;
}

/** What open findings will take, in hours and money, with the spread. */
export const costOf = (effort: Effort, house: HouseRow, counts: Partial<Record<Family, number>>): Cost =>
  paid(effort, house, estimate(effort, counts));

/** What a whole collection would take, from some of its pages. */
export const costFromSample = (effort: Effort, house: HouseRow, sample: readonly Partial<Record<Family, number>>[], pages: number): Cost =>
  paid(effort, house, estimateFromSample(effort, sample, pages));

function paid(effort: Effort, { hourlyRate, currency }: HouseRow, said: Estimate): Cost {
  const money =
    hourlyRate === null || currency === null
      ? null
      : { from: Math.round(said.from * hourlyRate), to: Math.round(said.to * hourlyRate), currency };
  return { ...said, minutesEach: effort.others.minutes, samples: effort.samples, money };
}
