import type { Generated, JSONColumnType } from 'kysely';
import type { Family, FindingOutcome, Profile, Values, Vocabulary, Weight } from '@inkwell/core';
import type { Made, Day } from './words.ts';

// The house, and what it asks of pages.

/** One row: what belongs to nobody else. */
export interface House {
  id: Generated<boolean>;
  name: string;
  /** As the time zone database names it. A day ends here. */
  time_zone: string;
  /** What an hour of work costs, and in which currency; null while nobody said. */
  hourly_rate: string | null;
  currency: string | null;
  /** Whether what only the theme or the host can fix holds an author's page. */
  elsewhere_holds: boolean;
  /** For how many days things are kept, by what they are. */
  kept_days: JSONColumnType<Readonly<Record<string, number>>, never, string>;
  /** The last day on which people were written to about their work. */
  digested_on: Day | null;
  profile_id: number;
  /** How many people sign a page off, whether one who worked on it may, and whether what no engine finds must be looked at first. */
  signatures_needed: number;
  fixer_may_sign: boolean;
  looks_needed: boolean;
}

export interface Profiles {
  id: Generated<number>;
  name: string;
  /** Number of the newest version. */
  version: number;
}

export interface ProfileVersions {
  id: Generated<number>;
  profile_id: number;
  version: number;
  /** Level, weights, limits, what holds: applied to what an audit said. */
  selection: JSONColumnType<Profile>;
  /** Phrase lists, palette, allowed markup: an input of the audit. */
  vocabulary: JSONColumnType<Vocabulary>;
  made_by: string;
  made_at: Made;
}

/** Which profile pages are held to: by collection, by content type, or both; the closest wins. */
export interface ProfileUses {
  id: Generated<number>;
  collection_id: number | null;
  content_type: string | null;
  profile_id: number;
}

/** A profile version as pages of one content type meet it; '' for all the profile has no word of their own for. */
export interface Bars {
  id: Generated<number>;
  profile_version_id: number;
  content_type: string;
  questions_hold: boolean;
}

/** Findings that every profile treats alike: a rule with what a profile looks at. */
export interface Kinds {
  id: Generated<number>;
  /** Everything below, as one text. */
  name: string;
  rule: string;
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  /** When they differ from the rule's own. */
  criteria: JSONColumnType<readonly string[]> | null;
  /** What its profile limit is compared with, or its phrase. */
  measured: JSONColumnType<Values>;
}

/** What a bar makes of a kind; no row: it does not ask for it. */
export interface KindWeights {
  bar_id: number;
  kind_id: number;
  weight: Weight;
  outcome: FindingOutcome;
  /** Whether a failure of it holds publication. */
  holds: boolean;
}

/** What the house calls a colour. */
export interface Colours {
  id: Generated<number>;
  name: string;
  value: string;
}
