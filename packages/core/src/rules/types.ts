import type { ElementNode, Range } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { RemedyName } from '../remedies/names.ts';

export type Family = 'headings' | 'images' | 'links' | 'lists' | 'tables' | 'colour' | 'text' | 'media' | 'document' | 'forms' | 'structure';
export type Weight = 'must' | 'should' | 'consider';
/** W3C EARL's words: `failed` when the engine is sure, `cantTell` when a person has to decide. */
export type FindingOutcome = 'failed' | 'cantTell';
export type Values = Readonly<Record<string, string | number>>;

export interface Report<M extends string = string> {
  /** The element the finding names. */
  at: ElementNode;
  message: M;
  values?: Values;
  /** The last of several neighbouring elements it speaks of, `at` being the first. */
  through?: ElementNode;
  /** The stretch of source it speaks of, when that is not the element. */
  range?: Range;
  outcome?: FindingOutcome;
  weight?: Weight;
  /** Criteria this case touches beyond the rule's own. */
  alsoCriteria?: readonly string[];
  /** What tells this problem from others of its rule: it makes the fingerprint. By default the element's text or address. */
  subject?: string;
  /** Only some of the rule's remedies fit. */
  remedies?: readonly RemedyName[];
}

export type Tell<M extends string = string> = (report: Report<M>) => void;

export interface Rule<M extends string = string> {
  /** `family/slug`; never reused once retired. */
  id: `${Family}/${string}`;
  title: string;
  /** Who is hurt and how, in one sentence. */
  why: string;
  /** What to do, in words for someone who knows no HTML. */
  fix: string;
  /** Asked of a person when the outcome is cantTell. `yes` says the finding stands, `no` that all is well. */
  question?: { ask: string; yes: string; no: string };
  criteria: readonly string[];
  techniques: readonly string[];
  /** True when no published source stands behind it, only common practice of the trade. */
  practice?: boolean;
  weight: Weight;
  /** `document`: says nothing of fragments. */
  scope: 'any' | 'document';
  remedies: readonly RemedyName[];
  /** Sentences by message id, with `{value}` places. */
  messages: Readonly<Record<M, string>>;
  /** Called for each element with one of these tags that assistive technology is told of. */
  tags?: readonly string[];
  visit?(page: Page, element: ElementNode, tell: Tell<M>): void;
  /** Called once, after the walk. */
  end?(page: Page, tell: Tell<M>): void;
}

/** Checks a rule's shape and keeps its message ids apart from its other types. */
export function defineRule<const M extends string>(rule: Rule<M>): Rule<M> {
  return rule;
}

export function familyOf(rule: Pick<Rule, 'id'>): Family {
  return rule.id.slice(0, rule.id.indexOf('/')) as Family;
}

/** One piece of HTML with the paths where the rule must speak; none: it must be silent. */
export interface RuleCase {
  /** What the case shows, for the one who reads a failing test. */
  shows: string;
  html: string;
  at?: readonly string[];
  outcome?: FindingOutcome;
  /** Technique or failure the case is written after, or `practice`. */
  source: string;
}
