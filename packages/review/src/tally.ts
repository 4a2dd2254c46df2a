import type { FindingOutcome, Weight } from '@inkwell/core';
import type { Answer } from '@inkwell/store';

export interface Tally {
  must: number;
  should: number;
  consider: number;
  /** Questions left to a person. */
  judge: number;
}

/** Open findings by weight, the questions apart. A question that somebody answered is one no more: it stands as a failure. */
export function tallyOf(findings: readonly { weight: Weight; outcome: FindingOutcome; ruled: Answer | null }[]): Tally {
  const tally: Tally = { must: 0, should: 0, consider: 0, judge: 0 };
  for (const { weight, outcome, ruled } of findings) tally[outcome === 'cantTell' && ruled !== 'stands' ? 'judge' : weight]++;
  return tally;
}

/** A tally as it is kept: must, should, consider, questions. */
export function keptTally(kept: readonly [number, number, number, number] | null): Tally | null {
  if (kept === null) return null;
  const [must, should, consider, judge] = kept;
  return { must, should, consider, judge };
}
