import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Family, Reference, Scope } from '@inkwell/core';
import type { Made } from './words.ts';

// Collections, how they come in, and the files that lie in them.

export interface Collections {
  id: Generated<number>;
  slug: string;
  title: string;
  kind: 'course' | 'site' | 'book';
  /** What its pages are unless their own tags say otherwise. */
  scope: Scope;
  made_at: Made;
  /** Since when all its pages are here; null while they are on their way. */
  arrived_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  /** Since when it is put away: done with, and apart on the shelf. */
  put_away_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  /** Since when it is taken out: it is nowhere to be seen, and can be brought back for a time. */
  taken_out_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  taken_out_by: string | null;
}

/** `waiting` to be read, `read` and waiting for a person's word, `refused`; then its pages are `arriving`, or all `here`. */
export type PackageState = 'waiting' | 'read' | 'refused' | 'arriving' | 'here';

/** A file in which a whole collection came. */
export interface Packages {
  id: Generated<number>;
  /** The file's name as it was sent. */
  name: string;
  sha256: string;
  state: ColumnType<PackageState, PackageState | undefined, PackageState>;
  problem: string | null;
  kind: Collections['kind'] | null;
  title: ColumnType<string, string | undefined, string>;
  files: ColumnType<number, number | undefined, number>;
  pages: ColumnType<number, number | undefined, number>;
  troubles: JSONColumnType<{ path: string; what: string }[]>;
  /** What it holds that is no page, and of which kind. */
  attached: JSONColumnType<{ path: string; kind: string; size: number }[]>;
  /** What stands open on some of its pages, by family: one entry for each page. */
  sample: JSONColumnType<Partial<Record<Family, number>>[]>;
  collection_id: number | null;
  /** The work under which its pages arrive. */
  job_id: string | null;
  made_by: string;
  made_at: Made;
  /** The collection it is a newer version of; null for one of its own. */
  renews: ColumnType<number | null, number | null | undefined, number | null>;
  /** The newest package of that collection when this one was read: it was compared with that. */
  read_over: ColumnType<number | null, number | null | undefined, number | null>;
  here_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  /**
   * What was asked for, where it is fetched from its host (`host`: one that is connected, by its number and the place there); how much
   * of it has come.
   */
  wanted: JSONColumnType<{ kind: 'addresses' | 'sitemap' | 'start'; addresses: string[] } | { kind: 'host'; addresses: string[] }> | null;
  fetched: JSONColumnType<{ pages: number; files: number }> | null;
  /** What was open in that collection before: must, should, consider, questions. */
  open_before: JSONColumnType<[number, number, number, number]> | null;
}

/** What became of a page in a newer version. */
export type Became = 'new' | 'as it was' | 'changed' | 'moved' | 'moved and changed' | 'back';

/** What a package was found to hold, in reading order. */
export interface PackagePages {
  package_id: number;
  position: number;
  path: string;
  /** The entry it lies in, and the element of an XML entry that holds it. */
  entry: string;
  inside: string | null;
  title: string;
  scope: Scope;
  content_type: string;
  /** Whether a manifest names it; null where there is none. */
  listed: boolean | null;
  refs: JSONColumnType<Reference[]>;
  /** The parts of the collection it lies in, the outermost first. */
  part: ColumnType<string[], string[] | undefined, string[]>;
  text_sha256: string | null;
  /** In a newer version the page it is, and what became of that. */
  page_id: number | null;
  became: ColumnType<Became, Became | undefined, Became>;
}

/** Whether a page is cleaned when it comes in. */
export type DoorChoice = 'clean' | 'clean if nothing is asked' | 'leave';

/** A page of a package with pasted markup. */
export interface PackagePasted {
  package_id: number;
  position: number;
  marks: number;
  html: string;
  choice: DoorChoice | null;
  /** What was answered before anything was stripped, by the question's key. */
  answers: JSONColumnType<Record<string, string>>;
}

/** Pages that a newer version no longer holds. */
export interface PackageGone {
  package_id: number;
  page_id: number;
}

/** The text of a page that has not been examined yet. */
export interface Arrivals {
  page_id: number;
  html: string;
  encoding: string;
  bom: boolean;
}

export interface Files {
  sha256: string;
  media_type: string;
  size: number;
}

/** A file's bytes in pieces of `PIECE` bytes, counted from 0. */
export interface FilePieces {
  sha256: string;
  nth: number;
  bytes: Buffer;
}

export interface Assets {
  collection_id: number;
  path: string;
  sha256: string;
}

/** What was read in a file, whatever its name. */
export interface FileFacts {
  sha256: string;
  facts: JSONColumnType<object>;
}

/** What a person says of an attachment: nobody looked yet, it has to be mended or made a page, or it may go out as it is. */
export type AttachmentStanding = 'unseen' | 'to mend' | 'to become a page' | 'fit';

/** A file that comes with pages and is none. It is there as long as a file lies at its path. */
export interface Attachments {
  collection_id: number;
  path: string;
  kind: string;
  /** The bytes its standing is about. */
  sha256: string;
  standing: ColumnType<AttachmentStanding, AttachmentStanding | undefined, AttachmentStanding>;
  owner: string | null;
  due: ColumnType<string | null, string | null | undefined, string | null>;
  note: ColumnType<string, string | undefined, string>;
  version: ColumnType<number, number | undefined, number>;
}

/** What was said of an attachment, by whom and when. */
export interface AttachmentChanges {
  id: Generated<number>;
  collection_id: number;
  path: string;
  standing: AttachmentStanding;
  owner: string | null;
  due: string | null;
  note: string;
  made_by: string;
  made_at: Made;
}
