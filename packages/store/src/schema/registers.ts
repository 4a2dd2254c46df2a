import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { MendPart, UseFacts } from '@inkwell/core';
import type { Made } from './words.ts';

// What pages use, and what is done to many of them.

/** What is done to one slip wherever it stands; or to whole pages: what is certain fixed, signed off. */
export type StrokeAct = 'fix' | 'elsewhere' | 'no problem' | 'certain' | 'sign off' | 'mend';

/** What is done to things of a register: to their uses, and to files that lie elsewhere from then on. */
export interface Mends {
  parts: readonly MendPart[];
  renames: readonly (readonly [string, string])[];
  /** What is done to files alone, in words. */
  files?: string;
}

/** One act on many pages: on one slip, or on the pages as they are. */
export interface Strokes {
  id: Generated<number>;
  collection_id: number;
  slip: string | null;
  rule: string | null;
  act: StrokeAct;
  remedy: string | null;
  inputs: JSONColumnType<Record<string, string>>;
  /** The finding on which it was tried and looked at. */
  finding_id: number | null;
  job_id: ColumnType<string | null, string | null | undefined, string | null>;
  made_by: string;
  made_at: Made;
  taken_back_by: ColumnType<string | null, string | null | undefined, string | null>;
  taken_back_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  /** Of what is done to things of a register: which, and what. */
  register: number | null;
  mends: ColumnType<Mends | null, string | null | undefined, never>;
  /** Shared by the acts of one wish that reaches several collections. */
  together: string | null;
}

/** A file that an act changed: what lay at its path before and lies there since; null where nothing does. */
export interface StrokeFiles {
  stroke_id: number;
  path: string;
  before: string | null;
  after: string | null;
}

/** What came of an act on one page: `left` as it was, `stays` although the act was taken back. */
export interface StrokePages {
  stroke_id: number;
  page_id: number;
  state: 'waiting' | 'done' | 'left' | 'taken back' | 'stays';
  revision: number | null;
  findings: number[];
  /** Why it was left, or stays. */
  why: string;
}

/** A file that has another name now. */
export interface Redirects {
  collection_id: number;
  path: string;
  leads_to: string;
  stroke_id: number | null;
  made_at: Made;
}

/** What was seen in an image's bytes. */
export interface ImageFacts {
  sha256: string;
  /** Null where they hold no image that can be drawn. */
  width: number | null;
  height: number | null;
  /** How it looks, as 64 bits; null where that is not told. */
  look: string | null;
  /** It in 32 × 32 squares, red, green and blue of each. */
  print: Buffer | null;
  /** The hash of the image among those that look alike that was seen first. */
  alike: string | null;
  thumbnail: Buffer | null;
}

/** A style sheet as it was last read for the images it sets. */
export interface SheetsRead {
  collection_id: number;
  path: string;
  sha256: string;
}

/** An image that a style sheet sets. */
export interface SheetImages {
  collection_id: number;
  sheet: string;
  selector: string;
  name: string;
  borrowed: boolean;
}

/** An address outside that links lead to, as it was last looked at. */
export interface OutsideAddresses {
  id: string;
  address: string;
  host: string;
  due_at: Date | null;
  claimed_until: Date | null;
  looked_at: Date | null;
  seen_at: Date | null;
  state: 'seen' | 'moved' | 'gone' | 'unsure' | null;
  words: string | null;
  moved_to: string | null;
}

/** What a register lists: one thing of a collection, wherever it stands. */
export interface Things {
  /** Of its collection, register, name and place. */
  id: string;
  collection_id: number;
  /** Number of its register, in the order the engine has them. */
  register: number;
  name: string;
  place: string;
}

/** Where a page uses a thing: uses that say the same in the same surroundings are one row. */
export interface Uses {
  page_id: number;
  /** Of all that the engine says of it. */
  sum: string;
  collection_id: number;
  register: number;
  thing_id: string;
  many: number;
  /** 1 on one row of each thing of a page, else 0: they count its pages. */
  lead: number;
  /** What it says as a number, for telling whether all say the same. */
  said: string;
  traits: number;
  /** Rules with an open finding on it, by their bits. */
  troubles: ColumnType<string, string | undefined, string>;
  /** Open findings on it: failures, and questions. */
  open: ColumnType<number, number | undefined, number>;
  asks: ColumnType<number, number | undefined, number>;
  says: string | null;
  facts: JSONColumnType<UseFacts>;
  findings: number[];
}
