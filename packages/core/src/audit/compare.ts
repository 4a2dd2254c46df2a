import { mapOffset, type Change } from '../source/edits.ts';
import { likeness } from '../semantics/likeness.ts';
import type { Finding } from './findings.ts';
import { ruleOf } from './prose.ts';

export interface Comparison<T extends Finding = Finding> {
  fixed: T[];
  kept: { old: T; new: Finding }[];
  new: Finding[];
}

/** Two texts this alike speak of the same thing; below it a finding counts as another one. Chosen on our cases. */
const ALIKE = 0.6;
const MOST_PAIRS = 40_000;

/**
 * What a new audit of a page fixed, kept and brought. A finding is kept when it is the same problem on the same piece of the page:
 * where its place went under `change` (when the edit between the two is known), else by fingerprint, else by likeness.
 */
export function compareAudits<T extends Finding>(old: readonly T[], fresh: readonly Finding[], change?: Change): Comparison<T> {
  const left = new Set(old);
  const coming = new Set(fresh);
  const pairs = new Map<Finding, T>();
  const pair = (before: T, after: Finding) => {
    pairs.set(after, before);
    left.delete(before);
    coming.delete(after);
  };
  if (change) matchBy(left, coming, (finding) => placeKey(finding, mapOffset(change, finding.at.start, 1)), (finding) => placeKey(finding, finding.at.start), pair);
  matchBy(left, coming, (finding) => finding.fingerprint, (finding) => finding.fingerprint, pair);
  matchAlike(left, coming, pair);
  return {
    fixed: [...left],
    kept: fresh.filter((finding) => pairs.has(finding)).map((finding) => ({ old: pairs.get(finding)!, new: finding })),
    new: [...coming],
  };
}

function placeKey(finding: Finding, start: number | null): string | null {
  return start === null ? null : `${finding.rule} ${start}${isExact(finding) ? ` ${finding.subject}` : ''}`;
}

function isExact(finding: Finding): boolean {
  return ruleOf(finding.rule)?.exact === true;
}

/** Pairs findings whose keys are equal, first with first. */
function matchBy<T extends Finding>(left: Set<T>, coming: Set<Finding>, oldKey: (finding: T) => string | null, newKey: (finding: Finding) => string | null, pair: (a: T, b: Finding) => void): void {
  const waiting = new Map<string, T[]>();
  for (const finding of left) {
    const key = oldKey(finding);
    const same = key === null ? undefined : waiting.get(key);
    if (same) same.push(finding);
    else if (key !== null) waiting.set(key, [finding]);
  }
  for (const same of waiting.values()) same.reverse();
  for (const finding of [...coming]) {
    const key = newKey(finding);
    const match = key === null ? undefined : waiting.get(key)?.pop();
    if (match) pair(match, finding);
  }
}

function matchAlike<T extends Finding>(left: Set<T>, coming: Set<Finding>, pair: (a: T, b: Finding) => void): void {
  // Likeness is for the few that an edit touched; where nearly all is new it would only guess, at great length.
  if (left.size * coming.size > MOST_PAIRS) return;
  for (const finding of [...coming]) {
    if (isExact(finding)) continue;
    let best: T | null = null;
    let score = ALIKE;
    for (const candidate of left) {
      if (candidate.rule !== finding.rule) continue;
      const alike = likeness(candidate.subject, finding.subject) + (candidate.at.path === finding.at.path ? 0.2 : 0);
      if (alike > score) [best, score] = [candidate, alike];
    }
    if (best) pair(best, finding);
  }
}
