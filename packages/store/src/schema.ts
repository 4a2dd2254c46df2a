import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type {
  Family,
  FindingOutcome,
  MakeUp,
  MendPart,
  Profile,
  Reference,
  RemedyName,
  Scope,
  UseFacts,
  Values,
  Verdict,
  Vocabulary,
  Weight,
} from '@inkwell/core';

/** The tables as code sees them. The migrations make them; a change here needs one there. */
export interface Tables {
  people: People;
  memberships: Memberships;
  house: House;
  profiles: Profiles;
  profile_versions: ProfileVersions;
  profile_uses: ProfileUses;
  bars: Bars;
  kinds: Kinds;
  kind_weights: KindWeights;
  collections: Collections;
  packages: Packages;
  package_pages: PackagePages;
  package_gone: PackageGone;
  package_pasted: PackagePasted;
  arrivals: Arrivals;
  pages: Pages;
  page_status: PageStatusRow;
  files: Files;
  file_pieces: FilePieces;
  assets: Assets;
  file_facts: FileFacts;
  attachments: Attachments;
  attachment_changes: AttachmentChanges;
  texts: Texts;
  revisions: Revisions;
  audits: Audits;
  strokes: Strokes;
  stroke_pages: StrokePages;
  findings: Findings;
  occurrences: Occurrences;
  page_references: PageReferences;
  stroke_files: StrokeFiles;
  redirects: Redirects;
  image_facts: ImageFacts;
  sheets_read: SheetsRead;
  sheet_images: SheetImages;
  logins: Logins;
  sessions: Sessions;
  accounts: Accounts;
  links: Links;
  messages: Messages;
  wrong_passwords: WrongPasswords;
  deeds: Deeds;
  hands: Hands;
  handed: Handed;
  remarks: Remarks;
  calendars: Calendars;
  open_pages: OpenPages;
  here: Here;
  outside_addresses: OutsideAddresses;
  colours: Colours;
  things: Things;
  uses: Uses;
  standing_changes: StandingChanges;
  rulings: Rulings;
  answers: Answers;
  questions: Questions;
  exceptions: Exceptions;
  assignments: Assignments;
  sign_offs: SignOffs;
  time_log: TimeLog;
}

export type Role = 'reviewer' | 'author' | 'publisher' | 'specialist' | 'administrator';
export type Cause = 'imported' | 'edited' | 'fixed' | 'pulled' | 'restored';
export type Standing = 'open' | 'fixed' | 'returned' | 'ruled out' | 'excepted' | 'elsewhere';
/** What a person answered: the finding stands, all is well, or somebody who knows has to be asked. */
export type Answer = 'stands' | 'no problem' | 'not sure';
/** What became of a page beside its verdict. */
export type Release = 'draft' | 'signed off' | 'published' | 'lapsed';

type Made = ColumnType<Date, Date | undefined, never>;
/** A day as YYYY-MM-DD. */
type Day = ColumnType<string, string, string>;

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

/** A message that went out, or would. */
export interface Messages {
  id: Generated<number>;
  person_id: string | null;
  address: string;
  subject: string;
  body: string;
  made_at: Generated<Date>;
  sent_at: Date | null;
  trouble: string | null;
  /** Since when whoever it is for has read it here. */
  read_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
}

export interface WrongPasswords {
  key: string;
  at: Date;
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

/** Who did what to whom and to the house. */
export interface Deeds {
  id: Generated<string>;
  at: Generated<Date>;
  made_by: string;
  deed: string;
  person_id: string | null;
  about: JSONColumnType<Record<string, unknown>>;
}

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
  /** The last day on which people were written to about their work. */
  digested_on: Day | null;
  profile_id: number;
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
  /** What was asked for, where it is fetched from its host; how much of it has come. */
  wanted: JSONColumnType<{ kind: 'addresses' | 'sitemap' | 'start'; addresses: string[] }> | null;
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
  /** The last day on which this row is right: that of the next exception to end. */
  valid_until: string | null;
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

export interface Audits {
  id: Generated<number>;
  page_id: number;
  revision: number;
  engine: string;
  /** Hash of all it looked at: text, place, neighbours, vocabulary. */
  inputs: string;
  /** Where places of the audit before went: start, end and new length of each stretch that was replaced. */
  moves: JSONColumnType<[number, number, number][]>;
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

/** What the house calls a colour. */
export interface Colours {
  id: Generated<number>;
  name: string;
  value: string;
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
