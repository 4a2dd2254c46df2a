import { lookup } from '../source/lookup.ts';
/**
 * Rule ids that are no longer used, each with the rule that took its place. An id is never used for another rule: what was stored, ruled
 * on or written into a profile under it goes on to mean its successor. None has been retired yet.
 */
export const RETIRED: Readonly<Record<string, string>> = {};

/** The id that stands for an id today: itself, unless it was retired. */
export function successorOf(id: string, retired: Readonly<Record<string, string>> = RETIRED): string {
  const seen = new Set<string>();
  let now = id;
  for (let next = lookup(retired, now); next !== undefined && !seen.has(now); next = lookup(retired, now)) {
    seen.add(now);
    now = next;
  }
  return now;
}
