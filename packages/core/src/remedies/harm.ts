import type { Finding } from '../audit/findings.ts';
import type { Comparison } from '../audit/compare.ts';
import { ruleOf } from '../audit/prose.ts';
import { lookup } from '../source/lookup.ts';

/**
 * Questions that a fix of a rule answers by what it does: an image that says what its link says needs no description, and a table whose
 * marks go because it is certainly layout need not be asked about.
 */
const ANSWERS: Readonly<Record<string, readonly string[]>> = {
  'headings/blank': ['headings/last-empty', 'headings/for-looks', 'headings/none-in-long-text'],
  'links/doubled': ['images/true-to-picture'],
  'images/decorative-mixed': ['images/true-to-picture'],
  'images/announced-twice': ['images/true-to-picture'],
  'lists/typed': ['headings/none-in-long-text', 'lists/steps-apart', 'text/hard-to-read'],
  'lists/stray-item': ['headings/none-in-long-text'],
  'lists/foreign-child': ['lists/single'],
  'tables/layout-marked': ['tables/layout'],
  'tables/imitated-headers': ['tables/layout'],
  'tables/blank-rows': ['tables/caption-inside', 'tables/layout'],
  // A paragraph left open between two items holds them: without it they stand in their list again.
  'text/spacer-blocks': ['lists/stray-item'],
  'text/br-paragraphs': ['headings/none-in-long-text', 'text/hard-to-read', 'links/same-text-elsewhere'],
};

/** What harm a fix did. */
export interface Harm {
  /** The end of a sentence. */
  reason: string;
  /** Findings acted on that stay open, when that is the harm. */
  open: readonly Finding[];
  /** Where the harm stands: a slip that was brought, on the new page, or one that was taken away, on the old. */
  brought?: Finding;
  erased?: Finding;
}

/**
 * What harm a fix did; null when it did none. It must settle what it was for; bring no failure that must or should
 * be fixed; and leave whatever another must or question rests on.
 *
 * @param before findings of the page it acted on
 * @param after findings of the page it made
 * @param compared the two, matched
 * @param acting the findings it was to fix
 */
export function harmOf(
  before: readonly Finding[],
  after: readonly Finding[],
  compared: Comparison,
  acting: ReadonlySet<Finding>,
): Harm | null {
  const counts = countsOf(before, after, acting);
  const open = compared.kept.map((pair) => pair.old).filter((finding) => acting.has(finding));
  if (open.length > 0) return { reason: 'the finding would stay open', open };
  // A finding that only changed its words or place is counted on both sides.
  const brought = compared.new.find((finding) => isFailure(finding) && counts.failures(finding.rule) > 0);
  if (brought) return { reason: `it would bring another slip: ${lowerFirst(titleOf(brought))}`, open: [], brought };
  const answered = new Set([...acting].flatMap((finding) => lookup(ANSWERS, finding.rule) ?? []));
  const erased = compared.fixed.find(
    (finding) => !acting.has(finding) && isEvidence(finding) && !answered.has(finding.rule) && counts.evidence(finding.rule) < 0,
  );
  return erased ? { reason: `it would take away what another note rests on: ${lowerFirst(titleOf(erased))}`, open: [], erased } : null;
}

function isFailure({ weight, outcome }: Finding): boolean {
  return outcome === 'failed' && weight !== 'consider';
}

/** Findings about looks themselves: once the look is gone, so is the trouble, and nothing is hidden. */
const OF_LOOKS =
  /^(?:text\/|links\/colour-alone$|colour\/(?:contrast|contrast-more|half-set|unknown-ground|control-contrast|placeholder)$)/;

function isEvidence({ rule, weight, outcome }: Finding): boolean {
  return (weight === 'must' || outcome === 'cantTell') && !OF_LOOKS.test(rule);
}

/** By how many the findings of a rule grew, those acted on left out. */
function countsOf(before: readonly Finding[], after: readonly Finding[], acting: ReadonlySet<Finding>) {
  const grown = (counts: (finding: Finding) => boolean) => {
    const sums = new Map<string, number>();
    for (const finding of before)
      if (!acting.has(finding) && counts(finding)) sums.set(finding.rule, (sums.get(finding.rule) ?? 0) - placesOf(finding));
    for (const finding of after) if (counts(finding)) sums.set(finding.rule, (sums.get(finding.rule) ?? 0) + placesOf(finding));
    return (rule: string) => sums.get(rule) ?? 0;
  };
  return { failures: grown(isFailure), evidence: grown(isEvidence) };
}

function placesOf(finding: Finding): number {
  return finding.places?.length ?? 1;
}

function titleOf(finding: Finding): string {
  return ruleOf(finding.rule)?.title ?? finding.rule;
}

function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}
