import type {
  Arrangement,
  DoorAnswers,
  DoorQuestion,
  Family,
  FindingOutcome,
  Inputs,
  Kinds,
  Look,
  Neighbours,
  Pasted,
  RemedyName,
  RemedyOffer,
  Scope,
  SpokenLine,
  Structure,
  Subject,
  TableView,
  TextBlock,
  Weight,
} from '@inkwell/core';

/** A page as the worker needs it: its text and what its surroundings know. */
export interface PageText {
  source: string;
  scope?: Scope;
  title: string;
  address: string;
  neighbours: Neighbours;
}

/** Names a finding on a page without sending it whole. */
export interface FindingKey {
  rule: string;
  path: string;
  start: number;
}

export interface DraftNote extends FindingKey {
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  end: number;
  line: number;
  title: string;
  sentence: string;
  why: string;
}

export interface SizedUp {
  scope: Scope;
  title: string;
  notes: number;
  /** How many marks of pasting it carries. */
  pasted: number;
}

/** What is asked of a text before it is cleaned, and the text as it would be. */
export interface AtTheDoor {
  questions: DoorQuestion[];
  cleaned: { ok: true; html: string } | { ok: false; reason: string };
}

/** What would come of a remedy: the piece before and after. */
export type Preview = { ok: true; shows: Shows; now: Side; then: Side } | { ok: false; reason: string };
/** In what the two sides differ for a reader: in what is heard, else in how it looks, else in the markup alone. */
export type Shows = 'words' | 'looks' | 'markup';
export interface Side {
  spoken: string;
  looks: Look[];
  markup: string;
}

/** What would be noted of something that is being written. */
export interface Warning {
  weight: Weight;
  sentence: string;
}

/** One of several slips that would be fixed at once: what becomes of it, or why it stays. */
export interface OneOfMany {
  finding: FindingKey;
  line: number;
  sentence: string;
  preview: Preview;
}

/** How many would be fixed at once, and what becomes of those that can be shown. */
export interface Many {
  many: number;
  shown: OneOfMany[];
}

/** The page as it is heard, and by kind. */
export interface Heard {
  lines: SpokenLine[];
  kinds: Kinds;
}

/** What would come of a change of structure. */
export type Arranged = { ok: true; lines: SpokenLine[]; table: TableView | null } | { ok: false; reason: string };

export type Question =
  | { kind: 'audit'; page: PageText }
  /** Someone may type into this page soon. */
  | { kind: 'typing-ahead'; page: PageText }
  | { kind: 'offers'; page: PageText; finding: FindingKey }
  | { kind: 'preview'; page: PageText; finding: FindingKey; remedy: string; inputs: Inputs }
  | { kind: 'warned'; page: PageText; finding: FindingKey; remedy: string; inputs: Inputs }
  /** Of a piece of markup that may be put into the page. */
  | { kind: 'warned-of'; page: PageText; html: string }
  /** The server is asked for this fix: the page as it will be is looked through meanwhile. */
  | { kind: 'expected'; page: PageText; finding: FindingKey; remedy: string; inputs: Inputs }
  | { kind: 'remedied'; page: PageText; finding: FindingKey; remedy: string; inputs: Inputs }
  | { kind: 'alike'; page: PageText; finding: FindingKey; remedy: RemedyName; inputs: Inputs; among: readonly FindingKey[]; shown: number }
  | { kind: 'certain'; page: PageText; settled: readonly FindingKey[] }
  | { kind: 'heard'; page: PageText }
  | { kind: 'structure'; page: PageText }
  | { kind: 'arranged'; page: PageText; arrangement: Arrangement }
  | { kind: 'blocks'; page: PageText }
  | { kind: 'pasted'; html: string; levels: Extract<Arrangement, { kind: 'levels' }>['levels'] }
  | { kind: 'size-up'; source: string }
  /** Without answers those are taken that the engine is sure of. */
  | { kind: 'door'; source: string; answers: DoorAnswers | null };

export interface Answers {
  audit: DraftNote[];
  'typing-ahead': null;
  offers: { offers: RemedyOffer[]; image: string | null; subject: Subject | null; fix: string };
  preview: Preview;
  warned: Warning[];
  'warned-of': Warning[];
  expected: null;
  /** The text after a fix; null when it declines. */
  remedied: string | null;
  alike: Many;
  certain: Many;
  heard: Heard;
  structure: Structure;
  arranged: Arranged;
  /** The blocks of text; null where the markup is too tangled to take apart. */
  blocks: TextBlock[] | null;
  /** Cleaned, with the levels given to its lines; what may still be a heading is listed. */
  pasted: Pasted;
  'size-up': SizedUp;
  door: AtTheDoor;
}
