import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Made } from './words.ts';

// Hosts, what goes out to them, and who hears of it.

export type HostKind = 'host' | 'folder';
/** How a page on its host is to the one here. */
export type HostState = 'same' | 'changed there' | 'changed on both' | 'gone there';
type Maybe<T> = ColumnType<T | null, T | null | undefined, T | null>;

export interface Hosts {
  id: Generated<number>;
  name: string;
  kind: HostKind;
  /** Where it is asked; a folder's is its path. */
  address: string;
  /** What lets us in there, sealed. */
  token: string | null;
  made_by: string;
  made_at: Made;
  gone_at: Maybe<Date>;
}

/** Where a collection is published. */
export interface Connections {
  collection_id: number;
  host_id: number;
  /** What the collection is called there. */
  place: string;
  made_by: string;
  made_at: Made;
  /** When it was last looked for changes there, and when the public side was last read. */
  looked_at: Maybe<Date>;
  seen_at: Maybe<Date>;
  /** Why it could not be looked at, the last time. */
  problem: Maybe<string>;
}

export interface HostFiles {
  collection_id: number;
  path: string;
  /** Under which it was last seen there. */
  tag: string;
  /** Of what lies there; empty: nobody has read it there yet. */
  sha256: string;
  /** Whether somebody has to say first which is to stay: the one here, or the one there. */
  differs: ColumnType<boolean, boolean | undefined, boolean>;
}

export interface HostPages {
  page_id: number;
  collection_id: number;
  /** What the host calls it. */
  remote: string;
  /** The tag of its draft there as it was last seen; null: it is to be read again. */
  tag: string | null;
  /** The revision here that says the same. */
  revision: number;
  state: ColumnType<HostState, HostState | undefined, HostState>;
  /** SHA-256 of what was published and read back. */
  public_sum: Maybe<string>;
  public_address: Maybe<string>;
  /** Since when the public side says something else. */
  drifted_at: Maybe<Date>;
}

export interface Publications {
  id: Generated<number>;
  page_id: number;
  revision: number;
  act: ColumnType<'publish' | 'unpublish', 'publish' | 'unpublish' | undefined, never>;
  state: ColumnType<PublicationState, PublicationState | undefined, PublicationState>;
  due_at: ColumnType<Date, Date | undefined, Date>;
  asked_by: string;
  asked_at: Made;
  address: Maybe<string>;
  tries: ColumnType<number, number | undefined, number>;
  problem: Maybe<string>;
  ended_at: Maybe<Date>;
  ended_by: Maybe<string>;
}
export type PublicationState = 'waiting' | 'done' | 'failed' | 'called off';

export interface Signatures {
  id: Generated<number>;
  page_id: number;
  revision: number;
  /** The audit whoever signed saw. */
  audit_id: number | null;
  profile_version_id: number;
  signed_by: string;
  signed_at: Made;
  /** Since when it counts no more: by whatever ends a sign-off. */
  ended_at: Maybe<Date>;
}

/** What no engine finds, as somebody looked at it. */
export interface Looks {
  page_id: number;
  revision: number;
  item: string;
  looked_by: string;
  looked_at: Made;
}

export interface Events {
  id: Generated<string>;
  tx: Generated<string>;
  type: string;
  at: Made;
  made_by: string | null;
  collection_id: number;
  page_id: number | null;
  finding_id: number | null;
  data: JSONColumnType<Record<string, unknown>>;
}

export interface Webhooks {
  id: Generated<number>;
  url: string;
  events: string[];
  /** Sealed. */
  secret: string;
  made_by: string;
  made_at: Made;
  gone_at: Maybe<Date>;
  /** The last event it was thought of for. */
  after_tx: string;
  after_id: string;
}

export interface Deliveries {
  id: Generated<string>;
  webhook_id: number;
  event_id: string;
  state: ColumnType<'waiting' | 'received' | 'given up', undefined, 'waiting' | 'received' | 'given up'>;
  tries: Generated<number>;
  try_at: Generated<Date>;
  made_at: Made;
  tried_at: Date | null;
  status: number | null;
  answer: string | null;
}

export interface CallsBegun {
  id: Generated<string>;
  person_id: string;
  /** Null once it was cancelled. */
  package_id: number | null;
  title: string;
  /** The collection it is a newer version of. */
  renews: number | null;
  key: string | null;
  body_sum: string | null;
  made_at: Made;
}
