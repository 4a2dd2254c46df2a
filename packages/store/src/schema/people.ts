import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Role, Made, Day } from './words.ts';

// People, how they come in, and what they do with each other.

/** Somebody's keys of the Desk: whether single keys act, and which have another key than the usual one, by that. */
export interface KeySettings {
  on: boolean;
  assigned: Readonly<Record<string, string>>;
}

export interface People {
  id: string;
  name: string;
  email: ColumnType<string | null, string | null | undefined, string | null>;
  kind: ColumnType<'person' | 'system', 'person' | 'system' | undefined, never>;
  /** From this day on they may do nothing. */
  disabled_on: ColumnType<string | null, string | null | undefined, string | null>;
  department: ColumnType<string | null, string | null | undefined, string | null>;
  /** Whether their working times are kept. */
  keeps_time: ColumnType<boolean, boolean | undefined, boolean>;
  keys: ColumnType<KeySettings, string | undefined, string>;
}

/** The part a person has in one collection, or in all of them (`collection_id` null). */
export interface Memberships {
  id: Generated<number>;
  person_id: string;
  collection_id: number | null;
  role: Role;
}

/** Who may sign in, by the address they sign in with, in lower case. */
export interface Logins {
  id: string;
  name: string;
  email: string;
  created_at: Generated<Date>;
  has_second_factor: Generated<boolean>;
}

/** A second factor of a login, sealed with the server's secret; until it was tried once, it is asked of nobody. */
export interface SecondFactors {
  id: string;
  login_id: string;
  secret: string;
  recovery_codes: string;
  verified: Generated<boolean>;
  failed_count: Generated<number>;
  locked_until: Date | null;
}

/** A browser somebody is signed in with. */
export interface Sessions {
  id: string;
  login_id: string;
  expires_at: Date;
  created_at: Generated<Date>;
  updated_at: Date;
  ip_address: string | null;
  user_agent: string | null;
}

/** A way to sign in. */
export interface Accounts {
  id: string;
  login_id: string;
  account_id: string;
  provider_id: string;
  password: string | null;
  updated_at: Generated<Date>;
}

/** A link that was sent, by the sum of its secret. */
export interface Links {
  sum: string;
  person_id: string;
  purpose: 'invitation' | 'password';
  made_by: string;
  made_at: Generated<Date>;
  until: Date;
  used_at: Date | null;
}

/** A token with which programs act for a person, by the sum of its secret. */
export interface Tokens {
  id: Generated<number>;
  person_id: string;
  name: string;
  sum: string;
  reach: string[];
  made_at: Generated<Date>;
  until: Date;
  revoked_at: Date | null;
  used_at: Date | null;
}

/** A message that went out, or would. */
export interface Messages {
  id: Generated<number>;
  person_id: string | null;
  address: string;
  subject: string;
  /** With `SECRET_PLACE` where its secret stands. */
  body: string;
  /** Until it is sent. */
  secret: ColumnType<string | null, string | null | undefined, string | null>;
  made_at: Generated<Date>;
  sent_at: Date | null;
  trouble: string | null;
  /** How often it was tried to send it, and when it is tried next. */
  tries: Generated<number>;
  try_at: Generated<Date>;
  /** Since when whoever it is for has read it here. */
  read_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
}

export interface WrongPasswords {
  key: string;
  at: Date;
}

/** Who did what to whom and to the house. */
export interface Deeds {
  id: Generated<string>;
  at: Generated<Date>;
  made_by: string;
  deed: string;
  person_id: string | null;
  about: JSONColumnType<Record<string, unknown>>;
}

/** Work that was handed to somebody, with a day and a word. */
export interface Hands {
  id: Generated<number>;
  collection_id: number;
  given_to: string;
  made_by: string;
  made_at: Generated<Date>;
  due: Day | null;
  words: string;
}

/** A finding that is in somebody's hands. */
export interface Handed {
  finding_id: number;
  page_id: number;
  hand_id: number;
}

/** What somebody said about a finding. */
export interface Remarks {
  id: Generated<number>;
  page_id: number;
  finding_id: number;
  words: string;
  made_by: string;
  made_at: Generated<Date>;
}

/** The secret address of somebody's calendar, by its sum. */
export interface Calendars {
  person_id: string;
  sum: string;
  made_at: ColumnType<Date, Date | undefined, Date>;
}

/** A page that somebody has changes of which are not saved, until then unless they say so again. */
export interface OpenPages {
  page_id: number;
  person_id: string;
  until: Date;
}

/** Somebody who is on a page, until then unless they say so again. */
export interface Here {
  page_id: number;
  person_id: string;
  until: Date;
}

export interface TimeLog {
  id: Generated<number>;
  person_id: string;
  page_id: number;
  finding_id: number | null;
  what: 'shown' | 'first input' | 'applied' | 'skipped' | 'ruled';
  /** Seconds since it was shown, pauses over a minute left out. */
  seconds: number;
  at: Made;
}
