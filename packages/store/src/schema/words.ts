import type { ColumnType } from 'kysely';

// What columns of several tables hold.

export type Role = 'reviewer' | 'author' | 'publisher' | 'specialist' | 'administrator';
export type Cause = 'imported' | 'edited' | 'fixed' | 'pulled' | 'restored';
export type Standing = 'open' | 'fixed' | 'returned' | 'ruled out' | 'excepted' | 'elsewhere';
/** What a person answered: the finding stands, all is well, or somebody who knows has to be asked. */
export type Answer = 'stands' | 'no problem' | 'not sure';
/** What became of a page beside its verdict. */
export type Release = 'draft' | 'signed off' | 'published' | 'lapsed';

export type Made = ColumnType<Date, Date | undefined, never>;
/** A day as YYYY-MM-DD. */
export type Day = ColumnType<string, string, string>;
