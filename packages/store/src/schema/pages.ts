import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Family, FindingOutcome, MakeUp, Scope, Verdict, Weight } from '@inkwell/core';
import type { Cause, Release, Made } from './words.ts';

// Pages, their texts, and how they stand.

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
  /** The newest audit: of the newest revision. Null while there is none. */
  audit_id: number | null;
  /** Raised by every change of text, standing or release: what a client saw. */
  version: ColumnType<number, number | undefined, number>;
  /** The version that brought the newest revision. */
  head_version: ColumnType<number, number | undefined, number>;
  /** Contents that undo has left and redo can go back to, the next one last. */
  redo: JSONColumnType<number[]>;
  made_by: string;
  made_at: Made;
  /** Where it lies in the package it came in: the entry, and the element of an XML entry; null for one that came alone. */
  entry: ColumnType<string | null, string | null | undefined, string | null>;
  inside: ColumnType<string | null, string | null | undefined, string | null>;
  /** The revision that is its text as it came in the newest package. */
  base: ColumnType<number, number | undefined, number>;
  /** The parts of the collection it lies in, the outermost first. */
  part: ColumnType<string[], string[] | undefined, string[]>;
  /** How it is made up, as its newest audit saw it. */
  make_up: JSONColumnType<MakeUp> | null;
  /** Since when the newest package no longer holds it. */
  gone_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  /** Who took it out by hand; null for one that went with a newer version. */
  gone_by: ColumnType<string | null, string | null | undefined, string | null>;
}

/** A page's state in one narrow row, written with whatever changes it. */
export interface PageStatusRow {
  page_id: number;
  /** Null for a page that stands in no ledger: it has gone, or was not examined yet. */
  collection_id: number | null;
  bar_id: number;
  must: number;
  should: number;
  consider: number;
  questions: number;
  /** Open findings that hold publication. */
  holding: number;
  /** What only the theme or the host can fix. */
  elsewhere: number;
  fixed: number;
  /** Open findings: family, weight, outcome and how many. */
  counts: JSONColumnType<[Family, Weight, FindingOutcome, number][]>;
  /** Open findings by family, in the order `status.ts` has them. */
  families: ColumnType<number[], number[] | undefined, number[]>;
  verdict: Verdict;
  release: Release;
  /** The revision that stands on the host's public side, as it was read back there. */
  published_revision: ColumnType<number | null, number | null | undefined, number | null>;
  /** The last day on which this row is right: that of the next exception to end. */
  valid_until: string | null;
}

export interface Texts {
  /** SHA-256 of the text in UTF-8, as 64 digits. */
  sha256: string;
  html: string;
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
  text_sha256: string;
  title: string;
  /** What the source's bytes were encoded in, and whether they began with a byte order mark. */
  encoding: string | null;
  bom: boolean;
  /** SHA-256 of the bytes it came in as; the bytes themselves are a file where the text alone would not give them back. */
  bytes_sha256: string | null;
  cause: Cause;
  note: string;
  made_by: string;
  made_at: Made;
}

/** What the newest text of a page refers to. */
export interface PageReferences {
  page_id: number;
  collection_id: number;
  kind: 'link' | 'image' | 'anchor' | 'sheet' | 'media';
  /** A path in the collection, or a whole address outside it. An anchor's is the page's own. */
  target: string;
  /** What a link names in its target; an anchor's own name. */
  fragment: string;
  /** An image's alternative text; null for none. */
  alternative: string | null;
}

export interface SignOffs {
  id: Generated<number>;
  page_id: number;
  revision: number;
  /** The audit it rests on; a later one under which the gate says the same takes its place. */
  audit_id: number;
  profile_version_id: number;
  signed_by: string;
  signed_at: Made;
  lapsed_at: ColumnType<Date | null, null | undefined, Date>;
  lapsed_by: string | null;
  /** What it lapsed by: a new text, a decision, an exception that ran out, another standard, another audit. */
  lapsed_because: string | null;
  /** The finding that did it, where one did. */
  lapsed_finding: number | null;
  /** The revision at hand when it lapsed. */
  lapsed_revision: number | null;
}
