import { Kysely, PostgresDialect, sql } from 'kysely';
import pg from 'pg';
import type { Part } from '../connector/parts.ts';

/** The host's own database: its places, their pages with every revision, and their files. */
export type HostDatabase = Kysely<unknown>;

export function openHostDatabase(url: string): HostDatabase {
  const pool = new pg.Pool({ connectionString: url, max: 4, connectionTimeoutMillis: 4_000, application_name: 'inkwell host' });
  pool.on('error', () => undefined);
  return new Kysely<unknown>({ dialect: new PostgresDialect({ pool }) });
}

const TABLES = [
  `create table if not exists places (place text primary key, title text not null)`,
  `create table if not exists pages (
     id integer generated always as identity primary key,
     place text not null references places on delete cascade,
     address text not null,
     title text not null,
     kind text not null,
     summary text not null default '',
     position integer not null,
     head integer not null default 1,
     published integer,
     handed_over integer,
     unique (place, address))`,
  `create table if not exists revisions (
     page_id integer not null references pages on delete cascade,
     number integer not null,
     parts jsonb not null,
     note text not null default '',
     made_by text not null,
     made_at timestamptz not null default now(),
     primary key (page_id, number))`,
  `create table if not exists files (
     place text not null references places on delete cascade,
     path text not null,
     type text not null,
     bytes bytea not null,
     primary key (place, path))`,
  `alter table files add column if not exists tag text generated always as (encode(sha256(bytes), 'hex')) stored`,
];

export async function prepare(db: HostDatabase): Promise<void> {
  for (const table of TABLES) await sql.raw(table).execute(db);
}

export interface HostedPage {
  id: number;
  place: string;
  address: string;
  title: string;
  kind: string;
  summary: string;
  position: number;
  head: number;
  published: number | null;
  /** The revision whose author is done with it, and that waits for a sign-off. */
  handedOver: number | null;
  parts: Part[];
}

const COLUMNS = sql`p.id, p.place, p.address, p.title, p.kind, p.summary, p.position, p.head, p.published, p.handed_over as "handedOver"`;

/** A page's draft changes its tag, and so does what else is said of it. */
export const tagOf = ({ head }: Pick<HostedPage, 'head'>) => `r${head}`;

export async function places(db: HostDatabase): Promise<{ place: string; title: string }[]> {
  return (await sql<{ place: string; title: string }>`select place, title from places order by title`.execute(db)).rows;
}

export async function putPlace(db: HostDatabase, place: string, title: string): Promise<void> {
  await sql`insert into places (place, title) values (${place}, ${title}) on conflict (place) do update set title = excluded.title`.execute(
    db,
  );
}

export async function dropPlace(db: HostDatabase, place: string): Promise<void> {
  await sql`delete from places where place = ${place}`.execute(db);
}

/** Pages of a place in its order, behind one. */
export async function pagesIn(db: HostDatabase, place: string, after: number, limit: number): Promise<HostedPage[]> {
  const { rows } = await sql<HostedPage>`select ${COLUMNS}, '[]'::jsonb as parts from pages p where place = ${place}
    and position > ${after} order by position limit ${limit}`.execute(db);
  return rows;
}

export async function pageBy(
  db: HostDatabase,
  which: { id: number } | { place: string; address: string },
): Promise<HostedPage | undefined> {
  const where = 'id' in which ? sql`p.id = ${which.id}` : sql`p.place = ${which.place} and p.address = ${which.address}`;
  const { rows } = await sql<HostedPage>`select ${COLUMNS}, r.parts from pages p join revisions r on r.page_id = p.id and r.number = p.head
    where ${where}`.execute(db);
  return rows[0];
}

/** The published text of a page. */
export async function publishedParts(db: HostDatabase, page: HostedPage): Promise<Part[] | null> {
  const { rows } = await sql<{
    parts: Part[];
  }>`select parts from revisions where page_id = ${page.id} and number = ${page.published}`.execute(db);
  return rows[0]?.parts ?? null;
}

export type NewHosted = Pick<HostedPage, 'place' | 'address' | 'title' | 'kind' | 'summary' | 'parts'>;

/** A page behind the last of its place; null where its address is taken. */
export async function addHosted(db: HostDatabase, page: NewHosted, by: string): Promise<number | null> {
  const { rows } = await sql<{ id: number }>`with made as (
      insert into pages (place, address, title, kind, summary, position) select ${page.place}, ${page.address}, ${page.title}, ${page.kind},
        ${page.summary}, coalesce((select max(position) from pages where place = ${page.place}), 0) + 1
      on conflict do nothing returning id)
    insert into revisions (page_id, number, parts, made_by) select id, 1, ${JSON.stringify(page.parts)}::jsonb, ${by} from made
    returning page_id as id`.execute(db);
  return rows[0]?.id ?? null;
}

export interface Draft extends Pick<HostedPage, 'parts'> {
  title?: string;
  kind?: string;
  summary?: string;
  note: string;
  by: string;
}

/** A new draft, when the page is as it was seen. Gives its new head; null where it moved on. */
export async function saveDraft(db: HostDatabase, id: number, head: number, draft: Draft): Promise<number | null> {
  const { rows } = await sql<{ head: number }>`with moved as (
      update pages set head = head + 1, handed_over = null, title = coalesce(${draft.title ?? null}, title),
        kind = coalesce(${draft.kind ?? null}, kind), summary = coalesce(${draft.summary ?? null}, summary)
      where id = ${id} and head = ${head} returning id, head)
    insert into revisions (page_id, number, parts, note, made_by) select id, head, ${JSON.stringify(draft.parts)}::jsonb, ${draft.note},
      ${draft.by} from moved returning number as head`.execute(db);
  return rows[0]?.head ?? null;
}

/** Moves a page to a place in its site's contents, from 1 on; the others make room. */
export async function movePage(db: HostDatabase, page: Pick<HostedPage, 'id' | 'place'>, to: number): Promise<void> {
  await sql`with now as (select id, row_number() over (order by position) as nth from pages where place = ${page.place}),
    others as (select id, row_number() over (order by nth) as nth from now where id <> ${page.id}),
    next as (select id, nth + case when nth >= ${to}::integer then 1 else 0 end as nth from others union all select ${page.id}::integer,
      least(greatest(${to}::integer, 1), (select count(*) from now)))
    update pages p set position = next.nth from next where next.id = p.id`.execute(db);
}

/** Where a page stands in its site's contents, from 1 on. */
export async function nthOf(db: HostDatabase, page: Pick<HostedPage, 'place' | 'position'>): Promise<number> {
  const { rows } = await sql<{ nth: number }>`select count(*)::integer as nth from pages where place = ${page.place}
    and position <= ${page.position}`.execute(db);
  return rows[0]!.nth;
}

/** Publishes a revision when it is the newest, or takes the page off (null). */
export async function setPublished(db: HostDatabase, id: number, revision: number | null): Promise<boolean> {
  const still = revision === null ? sql`true` : sql`head = ${revision}`;
  const { numAffectedRows } = await sql`update pages set published = ${revision}::integer, handed_over = null where id = ${id}
    and ${still}`.execute(db);
  return numAffectedRows === 1n;
}

export async function handOver(db: HostDatabase, id: number, revision: number): Promise<void> {
  await sql`update pages set handed_over = ${revision}::integer where id = ${id} and head = ${revision}`.execute(db);
}

export interface HistoryLine {
  number: number;
  note: string;
  by: string;
  at: Date;
}

export async function history(db: HostDatabase, id: number): Promise<HistoryLine[]> {
  const { rows } = await sql<HistoryLine>`select number, note, made_by as by, made_at as at from revisions where page_id = ${id}
    order by number desc limit 20`.execute(db);
  return rows;
}

export interface FileLine {
  path: string;
  size: number;
  tag: string;
}

const FILE = sql`path, length(bytes) as size, tag`;

export async function filesIn(db: HostDatabase, place: string): Promise<FileLine[]> {
  return (await sql<FileLine>`select ${FILE} from files where place = ${place} order by path`.execute(db)).rows;
}

export async function fileIn(db: HostDatabase, place: string, path: string): Promise<{ type: string; bytes: Buffer } | undefined> {
  const { rows } = await sql<{
    type: string;
    bytes: Buffer;
  }>`select type, bytes from files where place = ${place} and path = ${path}`.execute(db);
  return rows[0];
}

/** Puts a file in its place: `over` the one that has this tag, none (null), or whatever lies there. Undefined: another one lies there. */
export async function putFile(
  db: HostDatabase,
  { place, path, type, bytes }: { place: string; path: string; type: string; bytes: Buffer },
  over: string | null | undefined,
): Promise<FileLine | undefined> {
  const made = sql`insert into files (place, path, type, bytes) values (${place}, ${path}, ${type}, ${bytes}) on conflict (place, path)`;
  const set = sql`set type = ${type}::text, bytes = ${bytes}::bytea`;
  const ways =
    over === null
      ? sql<FileLine>`${made} do nothing returning ${FILE}`
      : over === undefined
        ? sql<FileLine>`${made} do update ${set} returning files.path, length(files.bytes) as size, files.tag`
        : sql<FileLine>`update files ${set} where place = ${place} and path = ${path} and tag = ${over} returning ${FILE}`;
  return (await ways.execute(db)).rows[0];
}
