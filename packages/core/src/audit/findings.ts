import type { Range } from '../document/tree.ts';
import type { Family, FindingOutcome, Values, Weight } from '../rules/types.ts';
import type { RemedyName } from '../remedies/names.ts';

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
  at: Place;
  /** The same for the same problem across unrelated edits. */
  fingerprint: string;
  /** What the finding is about, for telling likeness: text or address. */
  subject: string;
  remedies: readonly RemedyName[];
}

export interface Audit {
  /** Version of the engine. */
  engine: string;
  /** In document order. */
  findings: readonly Finding[];
}
