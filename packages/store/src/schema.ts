import type {
  People,
  Memberships,
  Logins,
  SecondFactors,
  Sessions,
  Accounts,
  Links,
  Tokens,
  Messages,
  WrongPasswords,
  Deeds,
  Hands,
  Handed,
  Remarks,
  Calendars,
  OpenPages,
  Here,
  TimeLog,
} from './schema/people.ts';
import type { House, Profiles, ProfileVersions, ProfileUses, Bars, Kinds, KindWeights, Colours } from './schema/house.ts';
import type {
  Collections,
  Packages,
  PackagePages,
  PackagePasted,
  PackageGone,
  Arrivals,
  Files,
  FilePieces,
  Assets,
  FileFacts,
  Attachments,
  AttachmentChanges,
} from './schema/collections.ts';
import type { Pages, PageStatusRow, Texts, Revisions, PageReferences, SignOffs } from './schema/pages.ts';
import type {
  Audits,
  Findings,
  Occurrences,
  StandingChanges,
  Rulings,
  Answers,
  Questions,
  Exceptions,
  Assignments,
} from './schema/findings.ts';
import type {
  Strokes,
  StrokeFiles,
  StrokePages,
  Redirects,
  ImageFacts,
  SheetsRead,
  SheetImages,
  OutsideAddresses,
  Things,
  Uses,
} from './schema/registers.ts';

import type {
  Hosts,
  Connections,
  HostFiles,
  HostPages,
  Publications,
  Signatures,
  Looks,
  Events,
  Webhooks,
  Deliveries,
  CallsBegun,
} from './schema/gate.ts';
import type { Reports, CriterionJudgements, Samples, SamplePages, Statements, Barriers } from './schema/record.ts';

export type * from './schema/words.ts';
export type * from './schema/people.ts';
export type * from './schema/house.ts';
export type * from './schema/collections.ts';
export type * from './schema/pages.ts';
export type * from './schema/findings.ts';
export type * from './schema/registers.ts';
export type * from './schema/gate.ts';
export type * from './schema/record.ts';

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
  second_factors: SecondFactors;
  sessions: Sessions;
  accounts: Accounts;
  links: Links;
  tokens: Tokens;
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
  hosts: Hosts;
  connections: Connections;
  host_pages: HostPages;
  host_files: HostFiles;
  publications: Publications;
  signatures: Signatures;
  looks: Looks;
  events: Events;
  webhooks: Webhooks;
  deliveries: Deliveries;
  calls_begun: CallsBegun;
  reports: Reports;
  criterion_judgements: CriterionJudgements;
  samples: Samples;
  sample_pages: SamplePages;
  statements: Statements;
  barriers: Barriers;
}
