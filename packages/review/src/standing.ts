import { DEFAULT_PROFILE, verdictOf, type FindingOutcome, type Profile, type Verdict, type Weight } from '@inkwell/core';
import { OPEN_STANDINGS, type Answer, type PageCounts, type Standing } from '@inkwell/store';

/** The word in its set place: the audit's verdict, or what people have done since. */
export type PageStanding = Verdict | 'signed off' | 'lapsed';

interface Judged {
  weight: Weight;
  outcome: FindingOutcome;
  ruled: Answer | null;
}

/** A question that someone answered is no longer one: it stands as a failure. */
function weighed({ weight, outcome, ruled }: Judged): { weight: Weight; outcome: FindingOutcome } {
  return { weight, outcome: ruled === 'stands' ? 'failed' : outcome };
}

export function openVerdict(findings: readonly (Judged & { standing: Standing; asked: boolean })[], profile: Profile = DEFAULT_PROFILE): Verdict {
  return verdictOf(findings.filter((finding) => finding.asked && OPEN_STANDINGS.includes(finding.standing)).map(weighed), profile);
}

export interface Tally {
  must: number;
  should: number;
  consider: number;
  /** Questions left to a person. */
  judge: number;
}

/** Open findings by weight, the questions apart. */
export function tallyOf(findings: readonly (Judged & { many?: number })[]): Tally {
  const tally: Tally = { must: 0, should: 0, consider: 0, judge: 0 };
  for (const finding of findings) {
    const { weight, outcome } = weighed(finding);
    tally[outcome === 'cantTell' ? 'judge' : weight] += finding.many ?? 1;
  }
  return tally;
}

/** Where a page stands: a sign-off of its head outranks the verdict; one that lapsed shows until the page is ready to be signed again. */
export function pageStanding(verdict: Verdict, signedRevision: number | null, hasLapsed: boolean): PageStanding {
  if (signedRevision !== null) return 'signed off';
  return hasLapsed && verdict === 'ready' ? 'lapsed' : verdict;
}

export function standingOfCounts(page: PageCounts, profile: Profile = DEFAULT_PROFILE): PageStanding {
  const judged = page.counts as (Judged & { many: number })[];
  return pageStanding(verdictOf(judged.map(weighed), profile), page.signed_revision, page.has_lapsed);
}

