import { CRITERIA, isAskedBy, LEVELS, type Level, type StandardVersion } from '../standards/criteria.ts';
import { clauseOf } from '../standards/clauses.ts';
import { RULES } from '../rules/registry.ts';
import { settingsFor, type Profile } from '../audit/profile.ts';
import { lookup } from '../source/lookup.ts';

/** What becomes of a criterion; EARL calls the last two inapplicable and untested. */
export type CriterionOutcome = 'passed' | 'failed' | 'cannot tell' | 'not present' | 'not looked at';

/** Findings that speak of a criterion, by how they stand. */
export interface CriterionCounts {
  /** Failures that stand open, that were let stand, and that only the theme or the host can fix. */
  failed: number;
  excepted: number;
  elsewhere: number;
  /** Questions nobody has answered yet. */
  open: number;
  /** Questions somebody has. */
  answered: number;
  /** Pages on which any of them stands. */
  pages: number;
}

/** What a person judged of a criterion as a whole. */
export interface Judged {
  outcome: Exclude<CriterionOutcome, 'not looked at'>;
  words: string;
  by: string;
  at: string;
}

export interface CriterionResult {
  id: string;
  title: string;
  /** What it asks, in our words. */
  asks: string;
  level: Level;
  /** Of EN 301 549. */
  clause: string | null;
  outcome: CriterionOutcome;
  /** What says so: the audit's rules, what people looked at, or what is nowhere on the pages. */
  basis: 'audit' | 'person' | 'content' | 'nobody';
  /** How many rules look at it. They see a part of it; the rest is a person's. */
  rules: number;
  counts: CriterionCounts;
  judged: Judged | null;
}

export const NO_COUNTS: CriterionCounts = { failed: 0, excepted: 0, elsewhere: 0, open: 0, answered: 0, pages: 0 };

/** What is on pages, as far as it decides whether a criterion has anything to speak of. */
export interface Present {
  links: boolean;
  images: boolean;
  media: boolean;
}

/** Criteria that speak of nothing else than these. */
const ONLY_OF: Readonly<Record<string, readonly (keyof Present)[]>> = {
  ...Object.fromEntries(
    ['1.2.1', '1.2.2', '1.2.3', '1.2.4', '1.2.5', '1.2.6', '1.2.7', '1.2.8', '1.2.9', '1.4.2', '1.4.7'].map((id) => [id, ['media']]),
  ),
  '1.4.5': ['images'],
  '1.4.9': ['images'],
  '2.4.4': ['links'],
  '2.4.9': ['links'],
};

/**
 * Criteria of which the audit, with its questions answered, sees all that still content can fail. Of others its rules see a part: that they
 * find nothing there is no reason to say that the criterion is met. Our own judgement, from each criterion's text.
 */
const SEEN_WHOLE: ReadonlySet<string> = new Set(
  '1.1.1 1.3.1 1.4.3 1.4.5 1.4.6 2.4.2 2.4.4 2.4.6 2.4.9 2.4.10 3.1.1 3.1.2 4.1.1'.split(' '),
);

/** The criteria a profile asks for, each with what is known of it. Nothing passes that neither a rule nor a person looked at. */
export function outcomesUnder(
  profile: Profile,
  counts: ReadonlyMap<string, CriterionCounts>,
  judged: ReadonlyMap<string, Judged>,
  present: Present,
): CriterionResult[] {
  const version = profile.standard.replace('WCAG ', '') as StandardVersion;
  const levels = LEVELS.slice(0, LEVELS.indexOf(profile.level) + 1);
  const weights = settingsFor(profile).weights ?? {};
  return CRITERIA.filter((one) => isAskedBy(one, version) && levels.includes(one.level)).map((criterion) => {
    const { id, title, asks, level } = criterion;
    const rules = RULES.filter((rule) => rule.criteria.includes(id) && lookup(weights, rule.id) !== 'off').length;
    const own = counts.get(id) ?? NO_COUNTS;
    const said = judged.get(id) ?? null;
    const isNowhere = lookup(ONLY_OF, id)?.every((kind) => !present[kind]) ?? false;
    return {
      id,
      title,
      asks,
      level,
      clause: clauseOf(criterion),
      rules,
      counts: own,
      judged: said,
      ...resultOf(id, own, said, rules, isNowhere),
    };
  });
}

/**
 * A failure outweighs what a person says of the whole, and so does a question that nobody answered; what is let stand is a failure still.
 */
function resultOf(
  id: string,
  counts: CriterionCounts,
  judged: Judged | null,
  rules: number,
  isNowhere: boolean,
): Pick<CriterionResult, 'outcome' | 'basis'> {
  if (counts.failed + counts.excepted + counts.elsewhere > 0) return { outcome: 'failed', basis: 'audit' };
  if (judged?.outcome === 'failed') return { outcome: 'failed', basis: 'person' };
  if (counts.open > 0) return { outcome: 'cannot tell', basis: 'audit' };
  if (judged) return { outcome: judged.outcome, basis: 'person' };
  if (isNowhere) return { outcome: 'not present', basis: 'content' };
  if (rules === 0) return { outcome: 'not looked at', basis: 'nobody' };
  return { outcome: SEEN_WHOLE.has(id) ? 'passed' : 'cannot tell', basis: 'audit' };
}
