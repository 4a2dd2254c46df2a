import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Family, FindingOutcome, RemedyName, Scope, Values, Weight } from '@inkwell/core';

/** The tables as code sees them. The migrations make them; a change here needs one there. */
export interface Tables {
  people: People;
  collections: Collections;
  pages: Pages;
  files: Files;
  assets: Assets;
  revisions: Revisions;
  audits: Audits;
  findings: Findings;
  occurrences: Occurrences;
  standing_changes: StandingChanges;
  rulings: Rulings;
  waivers: Waivers;
  sign_offs: SignOffs;
}

export type Role = 'reviewer' | 'author' | 'publisher' | 'administrator';
export type Cause = 'imported' | 'edited' | 'fixed' | 'pulled' | 'restored';
export type Standing = 'open' | 'in hand' | 'fixed' | 'returned' | 'ruled out' | 'waived';
/** What a person answered: the finding stands, all is well, or somebody who knows has to be asked. */
export type Answer = 'stands' | 'no problem' | 'not sure';

type Made = ColumnType<Date, Date | undefined, never>;

export interface People {
  id: string;
  name: string;
  role: Role;
}

export interface Collections {
  id: Generated<number>;
  slug: string;
  title: string;
  kind: 'course' | 'site' | 'book';
  /** What its pages are unless their own tags say otherwise. */
  scope: Scope;
  made_at: Made;
}

export interface Pages {
  id: Generated<number>;
  collection_id: number;
  slug: string;
  title: string;
  scope: Scope;
  content_type: string;
  /** Where the page lies in its collection: relative addresses in it start here. */
  address: string;
  position: number;
  /** Number of the newest revision. */
  head: number;
  /** Contents that undo has left and redo can go back to, the next one last. */
  redo: JSONColumnType<number[]>;
  made_by: string;
  made_at: Made;
}

export interface Files {
  sha256: string;
  media_type: string;
  bytes: Buffer;
}

export interface Assets {
  collection_id: number;
  path: string;
  sha256: string;
}

export interface Revisions {
  page_id: number;
  number: number;
  /** The revision it was made from. */
  parent: number | null;
  /** The revision whose text this one carries: itself, or an earlier one after undo and redo. */
  content: number;
  /** The content that undo goes back to. */
  content_before: number | null;
  html: string;
  title: string;
  /** What the source's bytes were encoded in. */
  encoding: string | null;
  cause: Cause;
  note: string;
  made_by: string;
  made_at: Made;
}

export interface Audits {
  page_id: number;
  revision: number;
  engine: string;
  made_at: Made;
}

export interface Findings {
  id: Generated<number>;
  page_id: number;
  rule: string;
  family: Family;
  /** As the house's profile weighs it. */
  weight: Weight;
  outcome: FindingOutcome;
  /** As the engine reported it. */
  told_weight: Weight;
  told_outcome: FindingOutcome;
  /** Whether the house's profile asks for it; the others wait for another bar. */
  asked: boolean;
  fingerprint: string;
  standing: Standing;
  /** The ruling in force, when there is one. */
  ruled: Answer | null;
  first_revision: number;
  /** The newest revision it was seen in. */
  last_revision: number;
}

export interface Occurrences {
  finding_id: number;
  page_id: number;
  revision: number;
  /** Place in the audit's order. */
  ordinal: number;
  path: string;
  /** Path of the last element, for a finding about several neighbours. */
  through: string | null;
  start_at: number;
  end_at: number;
  line: number;
  line_column: number;
  message: string;
  message_values: JSONColumnType<Values>;
  subject: string;
  criteria: JSONColumnType<readonly string[]>;
  techniques: JSONColumnType<readonly string[]>;
  remedies: JSONColumnType<readonly RemedyName[]>;
}

export interface StandingChanges {
  id: Generated<number>;
  finding_id: number;
  revision: number;
  standing: Standing;
  made_by: string;
  made_at: Made;
}

export interface Rulings {
  id: Generated<number>;
  finding_id: number;
  answer: Answer;
  made_by: string;
  made_at: Made;
  taken_back_by: string | null;
  taken_back_at: ColumnType<Date | null, null | undefined, Date>;
}

export interface Waivers {
  id: Generated<number>;
  finding_id: number;
  reason: string;
  /** The last day it holds, as YYYY-MM-DD. */
  until: ColumnType<string, string, never>;
  made_by: string;
  made_at: Made;
  ended_by: string | null;
  ended_at: ColumnType<Date | null, null | undefined, Date>;
}

export interface SignOffs {
  id: Generated<number>;
  page_id: number;
  revision: number;
  signed_by: string;
  signed_at: Made;
  /** The revision that made it lapse. */
  lapsed_by_revision: number | null;
  lapsed_at: ColumnType<Date | null, null | undefined, Date>;
}
