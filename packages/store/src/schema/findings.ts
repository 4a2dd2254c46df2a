import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { RemedyName, RuleTrouble, Values } from '@inkwell/core';
import type { Role, Standing, Answer, Made, Day } from './words.ts';

// What audits saw, and what people made of it.

export interface Audits {
  id: Generated<number>;
  page_id: number;
  revision: number;
  engine: string;
  /** Hash of all it looked at: text, place, neighbours, vocabulary. */
  inputs: string;
  /** Where places of the audit before went: start, end and new length of each stretch that was replaced. */
  moves: JSONColumnType<[number, number, number][]>;
  /** Rules that failed on the page: what they would find is not known. */
  troubles: JSONColumnType<RuleTrouble[], string | undefined, string>;
  made_at: Made;
}

export interface Findings {
  id: Generated<number>;
  page_id: number;
  kind_id: number;
  standing: Standing;
  /** The ruling in force, when there is one. */
  ruled: Answer | null;
  /** The last day of the exception in force: from the day after it is open again, whatever `standing` still says. */
  excepted_until: Day | null;
  first_revision: number;
  /** Its part of the page and a key that the same slip in an equal piece shares; null where its piece has nothing of its own. */
  slip: ColumnType<string | null, string | null | undefined, string | null>;
  /** What makes its question the same question elsewhere, as a sum; null where it asks none. */
  same: ColumnType<string | null, string | null | undefined, string | null>;
}

/** Where a finding stands, from one audit until, and without, another. A row for each of its places. */
export interface Occurrences {
  id: Generated<number>;
  finding_id: number;
  page_id: number;
  /** Which of the finding's places; the number stays with the place. */
  place: number;
  from_audit: number;
  /** The first audit that saw it no longer so; null while it is there. */
  to_audit: number | null;
  path: string;
  /** Path of the last element, for a finding about several neighbours. */
  through: string | null;
  /** UTF-16 offsets in the text of `from_audit`; later audits move them. */
  start_at: number;
  end_at: number;
  message: string;
  message_values: JSONColumnType<Values>;
  subject: string;
  fingerprint: string;
  /** When they differ from the rule's own. */
  remedies: JSONColumnType<readonly RemedyName[]> | null;
}

export interface StandingChanges {
  id: Generated<number>;
  finding_id: number;
  page_id: number;
  revision: number;
  /** The page's version that this change made. */
  version: number;
  standing: Standing;
  because: string;
  made_by: string;
  made_at: Made;
}

export interface Rulings {
  id: Generated<number>;
  finding_id: number;
  answer: Answer;
  /** The places it speaks of; null for all the finding ever has. */
  places: number[] | null;
  made_by: string;
  made_at: Made;
  taken_back_by: string | null;
  taken_back_at: ColumnType<Date | null, null | undefined, Date>;
  /** The answer it comes from, where one was given for the same question anywhere. */
  answer_id: number | null;
}

/**
 * `in force`; or `waits` for somebody else's answer too, `agreed` with it, or fell `apart` from it; `gave way` to a later one, or was
 * `taken back`.
 */
export type AnswerState = 'in force' | 'waits' | 'agreed' | 'apart' | 'gave way' | 'taken back';

/** An answer that holds wherever its question is asked, as far as it reaches. */
export interface Answers {
  id: Generated<number>;
  same: string;
  rule: string;
  answer: Answer;
  reason: string;
  /** The collection it reaches; null for all. */
  collection_id: number | null;
  /** The only page it reaches. */
  page_id: number | null;
  state: AnswerState;
  /** The finding it was given on. */
  finding_id: number | null;
  made_by: string;
  made_at: Made;
  ended_by: ColumnType<string | null, string | null | undefined, string | null>;
  ended_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  gave_way_to: ColumnType<number | null, number | null | undefined, number | null>;
}

/** A question that waits for somebody who knows. */
export interface Questions {
  id: Generated<number>;
  finding_id: number;
  waits_for: Role;
  asked_by: string;
  asked_at: Made;
  answered_by: string | null;
  answered_at: ColumnType<Date | null, null | undefined, Date>;
}

export interface Exceptions {
  id: Generated<number>;
  finding_id: number;
  reason: string;
  /** The last day it holds. */
  until: Day;
  /** The places it lets stand; null for all the finding ever has. */
  places: number[] | null;
  made_by: string;
  made_at: Made;
  ended_by: string | null;
  ended_at: ColumnType<Date | null, null | undefined, Date>;
}

/** Who has a finding in hand: apart from where it stands. */
export interface Assignments {
  id: Generated<number>;
  finding_id: number;
  person_id: string;
  due: string | null;
  note: string;
  made_by: string;
  made_at: Made;
  ended_at: ColumnType<Date | null, null | undefined, Date>;
}
