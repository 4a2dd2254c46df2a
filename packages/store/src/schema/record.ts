import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Made } from './words.ts';

// What is kept for those outside: reports, statements, and what readers say.

export interface Reports {
  id: Generated<number>;
  collection_id: number;
  page_id: number | null;
  made_by: string;
  made_at: Made;
  said: JSONColumnType<object>;
}

/** What a person judged of a criterion, for a whole collection. */
export interface CriterionJudgements {
  collection_id: number;
  criterion: string;
  outcome: JudgedOutcome;
  words: string;
  judged_by: string;
  judged_at: ColumnType<Date, Date | undefined, Date>;
}
export type JudgedOutcome = 'passed' | 'failed' | 'cannot tell' | 'not present';

export interface Samples {
  collection_id: number;
  seed: number;
  many: number;
  made_by: string;
  made_at: ColumnType<Date, Date | undefined, Date>;
}

export interface SamplePages {
  page_id: number;
  collection_id: number;
  chosen: 'structured' | 'random';
  because: string;
}

/** What the public is told of a collection. */
export interface Statements {
  collection_id: number;
  contact: string;
  words: string;
  made_by: string;
  made_at: ColumnType<Date, Date | undefined, Date>;
  shown: boolean;
}

/** A barrier that a reader met. */
export interface Barriers {
  id: Generated<number>;
  collection_id: number;
  page_id: number | null;
  place: string;
  words: string;
  reply_to: string | null;
  told_at: Made;
  answered_by: ColumnType<string | null, undefined, string | null>;
  answered_at: ColumnType<Date | null, undefined, Date | null>;
  answer: ColumnType<string | null, undefined, string | null>;
}
