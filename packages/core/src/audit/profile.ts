import { criterionOf, isAskedBy, LEVELS, type Level, type StandardVersion } from '../standards/criteria.ts';
import { USUAL_THRESHOLDS, type Rule, type Thresholds, type Weight } from '../rules/types.ts';
import { bare } from '../standards/phrases/index.ts';
import type { Finding } from './findings.ts';
import { ruleOf } from './prose.ts';
import { lookup } from '../source/lookup.ts';

/** What a house may set for all its pages, or for one content type. */
export interface Settings {
  /** Weights that hold publication while a failure of theirs is open. */
  holds: readonly Weight[];
  /** Rules by id: another weight, or `off`. */
  weights?: Readonly<Record<string, Weight | 'off'>>;
  /** Measures that differ from the usual ones. */
  thresholds?: Partial<Thresholds>;
  /** Rules whose questions two people have to answer alike. */
  twoAnswers?: readonly string[];
  /** Link texts the house takes for plain, though they are on the list of vague ones. */
  plainLinkTexts?: readonly string[];
}

/** Who may let something stand, by their part, and for how many days at most. */
export interface ExceptionRule {
  by?: readonly string[];
  days?: number;
}

/** The house's bar. It selects and weighs outcomes; it never changes what the audit computes. */
export interface Profile extends Settings {
  name: string;
  standard: `WCAG ${StandardVersion}`;
  level: Level;
  /** Whether a question that waits for a person keeps a page from being ready; it does unless this is false. */
  questionsHold?: boolean;
  /** Who may let findings of a weight stand, and for how many days at most; without it, whoever may at all, for two years. */
  exceptions?: Partial<Readonly<Record<Weight, ExceptionRule>>>;
  /** What differs for pages of a content type. */
  contentTypes?: Readonly<Record<string, Partial<Settings>>>;
}

const VERSIONS = ['2.0', '2.1', '2.2'] as const;

/** `wcag22-aa` and its like: the profiles that need no file. */
export const PROFILES: Readonly<Record<string, Profile>> = Object.fromEntries(
  VERSIONS.flatMap((version) =>
    LEVELS.map((level) => {
      const name = `wcag${version.replace('.', '')}-${level.toLowerCase()}`;
      return [name, { name, standard: `WCAG ${version}`, level, holds: ['must'] } satisfies Profile];
    }),
  ),
);

export const DEFAULT_PROFILE: Profile = PROFILES['wcag22-aa']!;

/** The settings for pages of one content type. */
export function settingsFor(profile: Profile, contentType?: string): Settings {
  const own = contentType === undefined ? undefined : lookup(profile.contentTypes, contentType);
  if (!own) return profile;
  return {
    holds: own.holds ?? profile.holds,
    weights: { ...profile.weights, ...own.weights },
    thresholds: { ...profile.thresholds, ...own.thresholds },
    twoAnswers: own.twoAnswers ?? profile.twoAnswers ?? [],
    plainLinkTexts: own.plainLinkTexts ?? profile.plainLinkTexts ?? [],
  };
}

/** What a profile looks at in a finding. */
export type Selectable = Pick<Finding, 'rule' | 'weight' | 'outcome' | 'criteria' | 'values'>;

/**
 * The findings as a profile sees them: without those it does not ask for, with the weight it gives them, and without the criteria its
 * version of the standard does not know. `contentType`: of the page.
 */
export function selectFindings<T extends Selectable>(findings: readonly T[], profile: Profile, contentType?: string): T[] {
  const settings = settingsFor(profile, contentType);
  return findings.flatMap((finding) => {
    const weighed = weigh(finding, profile, settings);
    return weighed ? [weighed] : [];
  });
}

function weigh<T extends Selectable>(finding: T, profile: Profile, settings: Settings): T | null {
  const rule = ruleOf(finding.rule);
  const own = lookup(settings.weights, finding.rule);
  if (
    !rule ||
    own === 'off' ||
    !isAskedAt(rule, profile.level) ||
    isAskedLater(finding, profile.level) ||
    underLimit(rule, finding, settings) ||
    isPlain(finding, settings)
  )
    return null;
  const version = profile.standard.slice(5) as StandardVersion;
  if (comesLater(rule, finding, version)) return null;
  const criteria = finding.criteria.filter((id) => isAskedBy(criterionOf(id)!, version));
  const raised = profile.level === 'AAA' ? rule.atAAA : undefined;
  const weight = own ?? raised?.weight ?? finding.weight;
  const outcome = raised?.outcome ?? finding.outcome;
  return weight === finding.weight && outcome === finding.outcome && criteria.length === finding.criteria.length
    ? finding
    : { ...finding, weight, outcome, criteria };
}

/** A finding may say for itself that only a higher level asks for it: `asked` names the level. */
function isAskedLater({ values }: Selectable, level: Level): boolean {
  return values.asked !== undefined && LEVELS.indexOf(values.asked as Level) > LEVELS.indexOf(level);
}

/** What a later version brought in is not asked for yet; what a later version dropped is still a slip. */
function comesLater(rule: Rule, { criteria }: Selectable, version: StandardVersion): boolean {
  return criteria.length > 0 && !rule.practice && criteria.every((id) => criterionOf(id)!.since > version);
}

function isAskedAt(rule: Rule, level: Level): boolean {
  return LEVELS.indexOf(firstLevel(rule)) <= LEVELS.indexOf(level);
}

/**
 * A rule that serves only AA criteria is not asked at level A. What only AAA asks for is good practice below it, unless the rule says
 * otherwise.
 */
function firstLevel(rule: Rule): Level {
  if (rule.from) return rule.from;
  return rule.criteria.length > 0 && !rule.practice && rule.criteria.every((id) => criterionOf(id)!.level === 'AA') ? 'AA' : 'A';
}

function underLimit(rule: Rule, finding: Selectable, settings: Settings): boolean {
  if (!rule.threshold) return false;
  const { measure, limit } = rule.threshold;
  return Number(lookup(finding.values, measure) ?? Infinity) <= (settings.thresholds?.[limit] ?? USUAL_THRESHOLDS[limit]);
}

function isPlain(finding: Selectable, settings: Settings): boolean {
  return finding.rule === 'links/vague' && (settings.plainLinkTexts ?? []).some((text) => bare(text) === bare(String(finding.values.text)));
}

export type Verdict = 'held' | 'judge' | 'ready';
export interface Weighed {
  weight: Weight;
  outcome: 'failed' | 'cantTell';
}

/**
 * What stands between a page and publication. `open` are the findings nobody has fixed, ruled out or excepted: a failure whose weight
 * holds makes it held; failing that, a question left to a person makes it judge; else it is ready.
 */
export function verdictOf(open: readonly Weighed[], settings: Pick<Profile, 'holds' | 'questionsHold'>): Verdict {
  if (open.some((finding) => finding.outcome === 'failed' && settings.holds.includes(finding.weight))) return 'held';
  return settings.questionsHold !== false && open.some((finding) => finding.outcome === 'cantTell') ? 'judge' : 'ready';
}
