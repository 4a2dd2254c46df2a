import type { ElementNode, Range } from '../document/tree.ts';
import type { Page, Surroundings } from '../document/page.ts';
import type { RemedyName } from '../remedies/names.ts';
import type { Level } from '../standards/criteria.ts';

export type Family =
  'headings' | 'images' | 'links' | 'lists' | 'tables' | 'colour' | 'text' | 'media' | 'document' | 'forms' | 'structure';
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
  /** All elements that one problem stands at, in document order, `at` the first. */
  places?: readonly ElementNode[];
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
  question?: Question;
  /** Equal subjects are one slip, however often they stand on a page: one finding with all its places. */
  alike?: true;
  /** The question is about exactly these words or this image: with others it is another question, and an answer does not carry over. */
  exact?: true;
  criteria: readonly string[];
  techniques: readonly string[];
  /** True when no published source stands behind it, only common practice of the trade. */
  practice?: boolean;
  weight: Weight;
  /** The first level of conformance at which it is asked; by default A. */
  from?: Level;
  /** What it weighs once a house asks for AAA. */
  atAAA?: { weight: Weight; outcome?: FindingOutcome };
  /** It speaks only above a measure that the house may set: the audit reports from a low floor, and the profile selects. */
  threshold?: { measure: string; limit: keyof Thresholds };
  /** `document`: says nothing of fragments. */
  scope: 'any' | 'document';
  remedies: readonly RemedyName[];
  /** Sentences by message id, with `{value}` places. */
  messages: Readonly<Record<M, string>>;
  /** Called for each element with one of these tags that assistive technology is told of; `*` stands for any element with attributes. */
  tags?: readonly string[];
  visit?(page: Page, element: ElementNode, tell: Tell<M>): void;
  /** Called once, after the walk. */
  end?(page: Page, tell: Tell<M>): void;
}

/** Measures a house may set, with what common practice sets. */
export interface Thresholds {
  /** Characters of an image's alternative. */
  longestAlternative: number;
  /** Characters of a link's text. */
  longestLink: number;
  /** Words without a heading. */
  wordsWithoutHeading: number;
  /** Text colours set on single pieces of a page. */
  inlineColours: number;
  /** School years a reader needs (Flesch–Kincaid): lower secondary is 9. */
  readingGrade: number;
}

export const USUAL_THRESHOLDS: Thresholds = {
  longestAlternative: 125,
  longestLink: 100,
  wordsWithoutHeading: 300,
  inlineColours: 3,
  readingGrade: 9,
};

/** The audit reports from this much on, so that a house may lower its measure without a new audit. */
export const FLOORS: Thresholds = { longestAlternative: 80, longestLink: 60, wordsWithoutHeading: 150, inlineColours: 1, readingGrade: 7 };

export interface Question {
  ask: string;
  yes: string;
  no: string;
  /** What makes it the same question elsewhere, so that it is asked once. */
  same: readonly SameBy[];
}

/**
 * What a question may go by: the words of what it is about; the words the finding says of it; the image by its bytes, and its alternative
 * text; where the link leads that it is or stands in; the address of what is shown or played; the language; the piece of the page
 * around it.
 */
export type SameBy = 'words' | 'said' | 'image' | 'alternative' | 'purpose' | 'source' | 'language' | 'piece';

/** Checks a rule's shape and keeps its message ids apart from its other types. */
export function defineRule<const M extends string>(rule: Rule<M>): Rule<M> {
  return rule;
}

export function familyOf(rule: Pick<Rule, 'id'>): Family {
  return rule.id.slice(0, rule.id.indexOf('/')) as Family;
}

/** One piece of HTML with the paths where the rule must speak and what it must be sure of; or where it must be silent. */
export type RuleCase = SpeakingCase | SilentCase;

interface AnyCase {
  /** What the case shows, for the one who reads a failing test. */
  shows: string;
  html: string;
  /** What the page's surroundings know, where the rule needs it. */
  surroundings?: Surroundings;
  /** Technique or failure the case is written after, or `practice`. */
  source: string;
}

interface SpeakingCase extends AnyCase {
  at: readonly string[];
  /** Of all findings, or of each in turn. */
  outcome: FindingOutcome | readonly FindingOutcome[];
}

interface SilentCase extends AnyCase {
  at?: never;
  outcome?: never;
}
