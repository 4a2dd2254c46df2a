import { tidy, type Range } from '../document/tree.ts';
import type { Family, FindingOutcome, Values, Weight } from '../rules/types.ts';
import type { RemedyName } from '../remedies/names.ts';

/** What makes a question the same question elsewhere. */
export interface Sameness {
  /** All of it but the image itself, as one text: the rule, what it says, and each of the things its question goes by. */
  key: string;
  /** The image it is about: a path in the collection, or a whole address. Whoever knows its bytes takes these in its place. */
  image: string | null;
  /** Whether it means the same in any collection: what goes by the piece around it, or by a place of the collection, does not. */
  anywhere: boolean;
}

export interface Place extends Range {
  /** The element, as `/html[1]/body[1]/p[2]`. */
  path: string;
  /** The last element, when it speaks of a run of neighbours. */
  through?: string;
  /** 1-based. */
  line: number;
  column: number;
}

/** One problem on one page. Its sentence is made at the edge, by `sentenceOf`. */
export interface Finding {
  rule: string;
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  criteria: readonly string[];
  techniques: readonly string[];
  message: string;
  values: Values;
  /** The first of its places. */
  at: Place;
  /** All its places in document order, `at` the first, when one problem stands at several: one colour pair, one list, one icon. */
  places?: readonly Place[];
  /** Names it among the findings of its page, and is the same for the same problem across unrelated edits. */
  fingerprint: string;
  /** What the finding is about, for telling likeness: text or address. */
  subject: string;
  remedies: readonly RemedyName[];
  /** Its part of the page and a key that the same slip in an equal piece shares, where that was asked for (`slipsOf`). */
  slip?: string;
  /** What makes its question the same question elsewhere, where that was asked for (`samenessOf`). */
  same?: Sameness;
}

export interface Audit {
  /** Version of the engine. */
  engine: string;
  /** In document order. */
  findings: readonly Finding[];
  /** Rules that failed on this page: what they would have found is not known. */
  troubles: readonly RuleTrouble[];
}

/** A rule that met a page it was not made for. */
export interface RuleTrouble {
  rule: string;
  problem: string;
}

/**
 * What makes two findings the same problem: rule, kind of element and what it is about. Nothing that shifts when a sibling goes is part
 * of it; equal problems on one page share it and are told apart by place and by the text beside them.
 */
export function identityOf(finding: Pick<Finding, 'rule' | 'subject' | 'at'>): string {
  const last = finding.at.path.slice(finding.at.path.lastIndexOf('/') + 1);
  return `${finding.rule}\n${last.replace(/\[\d+\]$/, '')}\n${finding.subject}`;
}

/** Source looked at on either side, and words kept of it, in UTF-16 units. */
const LOOKED_AT = 200;
const KEPT = 40;

/** The nearest words before and after a place in a text, each up to the next markup. */
export function nearText(source: string, place: Range): string {
  return `${textBefore(source, place.start)}|${textAfter(source, place.end)}`;
}

export function textBefore(source: string, start: number): string {
  const before = source.slice(Math.max(0, start - LOOKED_AT), start);
  // A tag that begins before what is looked at is no text.
  const cut = before.indexOf('>');
  const whole = cut >= 0 && !before.slice(0, cut).includes('<') ? before.slice(cut + 1) : before;
  return (piecesOf(whole).at(-1) ?? '').slice(-KEPT);
}

export function textAfter(source: string, end: number): string {
  return (piecesOf(source.slice(end, end + LOOKED_AT))[0] ?? '').slice(0, KEPT);
}

function piecesOf(markup: string): string[] {
  return markup
    .split(/<[^<>]*>?/)
    .map(tidy)
    .filter((piece) => piece !== '');
}
