import { placeUnder, type Moves } from '../source/edits.ts';
import { likeness } from '../semantics/likeness.ts';
import { identityOf, nearText, type Finding } from './findings.ts';
import { ruleOf } from './prose.ts';

export interface Comparison<T extends Finding = Finding> {
  fixed: T[];
  kept: { old: T; new: Finding }[];
  new: Finding[];
}

/** The texts two audits were of: what stands beside two equal problems tells them apart. */
export interface Texts {
  before: string;
  after: string;
}

/** Two texts this alike speak of the same thing; below it a finding counts as another one. Chosen on our cases. */
const ALIKE = 0.6;
const MOST_PAIRS = 40_000;

/**
 * What a new audit of a page fixed, kept and brought. Findings are followed through `change` first, when the edit between the two
 * texts is known: whatever no edit touched is where its place went, or gone. Only among findings that the edit does not relate does
 * identity decide, with the text beside equal ones (`texts`), and then likeness.
 */
export function compareAudits<T extends Finding>(
  old: readonly T[],
  fresh: readonly Finding[],
  change?: Moves,
  texts?: Texts,
): Comparison<T> {
  const match = new Matching(old, fresh, texts);
  if (change) {
    const went = new Map(old.map((finding) => [finding, placeUnder(change, finding.at.start)]));
    const made = rangesMade(change);
    const touched = (finding: Finding) => made.some((range) => finding.at.start >= range.start && finding.at.start <= range.end);
    match.byPlace(went);
    match.byIdentity((finding) => went.get(finding) === null, touched);
    match.byLikeness((finding) => went.get(finding) === null, touched);
    match.byIdentity(
      () => true,
      () => true,
    );
    // What speaks of a whole stretch begins where the edit put something before it.
    match.byLikeness(() => true, touched);
  } else {
    match.byIdentity(
      () => true,
      () => true,
    );
    match.byLikeness(
      () => true,
      () => true,
    );
  }
  return match.result();
}

/** Where the replaced or inserted pieces of a change lie in the new text. */
function rangesMade(change: Moves): { start: number; end: number }[] {
  let drift = 0;
  return change.edits.map((edit) => {
    const start = edit.start + drift;
    drift += edit.text.length - (edit.end - edit.start);
    return { start, end: start + edit.text.length };
  });
}

class Matching<T extends Finding> {
  private readonly left: Set<T>;
  private readonly coming: Set<Finding>;
  private readonly pairs = new Map<Finding, T>();

  constructor(
    old: readonly T[],
    private readonly fresh: readonly Finding[],
    private readonly texts?: Texts,
  ) {
    this.left = new Set(old);
    this.coming = new Set(fresh);
  }

  /** Pairs what stands where an old finding's place went: the same problem there first, then one of the same rule. */
  byPlace(went: ReadonlyMap<T, number | null>): void {
    const old = [...this.left].filter((finding) => went.get(finding) !== null);
    const place = (finding: Finding, start: number) => `${finding.rule} ${start}`;
    this.pairEqual(
      old,
      [...this.coming],
      (finding) => `${place(finding, went.get(finding)!)} ${identityOf(finding)}`,
      (finding) => `${place(finding, finding.at.start)} ${identityOf(finding)}`,
    );
    const rest = old.filter((finding) => this.left.has(finding) && !isExact(finding));
    const others = [...this.coming].filter((finding) => !isExact(finding));
    this.pairEqual(
      rest,
      others,
      (finding) => place(finding, went.get(finding)!),
      (finding) => place(finding, finding.at.start),
    );
  }

  /** Pairs the same problem of the same thing; of several equal ones those that stand beside the same text, then in order. */
  byIdentity(isOld: (finding: T) => boolean, isNew: (finding: Finding) => boolean): void {
    const [old, coming] = [[...this.left].filter(isOld), [...this.coming].filter(isNew)];
    if (old.length === 0 || coming.length === 0) return;
    const { texts } = this;
    if (texts) {
      const equal = equalOnes([...old, ...coming]);
      const beside = (text: string) => (finding: Finding) =>
        equal.has(identityOf(finding)) ? `${identityOf(finding)}\n${nearText(text, finding.at)}` : null;
      this.pairEqual(old, coming, beside(texts.before), beside(texts.after));
    }
    this.pairEqual(
      old.filter((one) => this.left.has(one)),
      coming.filter((one) => this.coming.has(one)),
      identityOf,
      identityOf,
    );
  }

  /** Pairs what is worded alike. For the few that an edit touched; where nearly all is new it would only guess, at great length. */
  byLikeness(isOld: (finding: T) => boolean, isNew: (finding: Finding) => boolean): void {
    const [old, coming] = [[...this.left].filter(isOld), [...this.coming].filter(isNew)];
    if (old.length * coming.length > MOST_PAIRS) return;
    for (const finding of coming) {
      if (isExact(finding)) continue;
      let best: T | null = null;
      let score = ALIKE;
      for (const candidate of old) {
        if (candidate.rule !== finding.rule || !this.left.has(candidate)) continue;
        const alike = likeness(candidate.subject, finding.subject) + (candidate.at.path === finding.at.path ? 0.2 : 0);
        if (alike > score) [best, score] = [candidate, alike];
      }
      if (best) this.pair(best, finding);
    }
  }

  result(): Comparison<T> {
    return {
      fixed: [...this.left],
      kept: this.fresh.filter((finding) => this.pairs.has(finding)).map((finding) => ({ old: this.pairs.get(finding)!, new: finding })),
      new: [...this.coming],
    };
  }

  /** Pairs findings whose keys are equal, first with first; a null key pairs with nothing. */
  private pairEqual(
    old: readonly T[],
    coming: readonly Finding[],
    oldKey: (finding: T) => string | null,
    newKey: (finding: Finding) => string | null,
  ): void {
    const waiting = new Map<string, T[]>();
    for (const finding of old) {
      const key = oldKey(finding);
      const same = key === null ? undefined : waiting.get(key);
      if (same) same.push(finding);
      else if (key !== null) waiting.set(key, [finding]);
    }
    for (const same of waiting.values()) same.reverse();
    for (const finding of coming) {
      const key = newKey(finding);
      const match = key === null ? undefined : waiting.get(key)?.pop();
      if (match) this.pair(match, finding);
    }
  }

  private pair(before: T, after: Finding): void {
    this.pairs.set(after, before);
    this.left.delete(before);
    this.coming.delete(after);
  }
}

/** Identities that more than two findings of both audits share: there the neighbourhood has a say. */
function equalOnes(findings: readonly Finding[]): ReadonlySet<string> {
  const many = new Map<string, number>();
  for (const finding of findings) many.set(identityOf(finding), (many.get(identityOf(finding)) ?? 0) + 1);
  return new Set([...many].filter(([, count]) => count > 2).map(([identity]) => identity));
}

function isExact(finding: Finding): boolean {
  return ruleOf(finding.rule)?.exact === true;
}
