import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { Became } from '../schema.ts';

/** A page of a collection as a newer version of it is compared with it. */
export interface KnownPage {
  id: number;
  address: string;
  /** Whether the newest version no longer holds it. */
  gone: boolean;
  /** Whether it came in a package; one that came alone never goes with one. */
  packed: boolean;
  /** Hashes of its text as it came, and as it is now. */
  base: string;
  head: string;
}

export async function knownPages(db: Database | Write, collectionId: number): Promise<KnownPage[]> {
  const { rows } = await sql<KnownPage>`select p.id, p.address, p.gone_at is not null as gone, p.entry is not null as packed,
      b.text_sha256 as base, h.text_sha256 as head
    from pages p join revisions b on b.page_id = p.id and b.number = p.base join revisions h on h.page_id = p.id and h.number = p.head
    where p.collection_id = ${collectionId} order by p.position, p.id`.execute(db);
  return rows;
}

/** Texts of pages as they came in their newest package. */
export async function baseTexts(db: Database | Write, pages: readonly number[]): Promise<{ id: number; html: string }[]> {
  const { rows } = await sql<{ id: number; html: string }>`select p.id, t.html from pages p
    join revisions b on b.page_id = p.id and b.number = p.base join texts t on t.sha256 = b.text_sha256
    where p.id = any(${pages}::integer[])`.execute(db);
  return rows;
}

/** What was made of a page since it came in its newest package: for each revision its text, and where places of the one before went. */
export async function madeSince(
  db: Database | Write,
  pageId: number,
  base: number,
): Promise<{ html: string; moves: [number, number, number][] }[]> {
  const { rows } = await sql<{ html: string; moves: [number, number, number][] }>`select t.html, a.moves from revisions r
    join texts t on t.sha256 = r.text_sha256
    join lateral (select moves from audits where page_id = r.page_id and revision = r.number order by id limit 1) a on true
    where r.page_id = ${pageId} and r.number > ${base} order by r.number`.execute(db);
  return rows;
}

/** Pages of a collection that a newer version no longer holds, in place of what was said before. */
export async function writeGone(trx: Write, id: number, pages: readonly number[]): Promise<void> {
  await sql`delete from package_gone where package_id = ${id}`.execute(trx);
  await sql`insert into package_gone (package_id, page_id) select ${id}::integer, unnest(${pages}::integer[])`.execute(trx);
}

/** How many pages of a newer version became what. */
export async function becameWhat(db: Database | Write, id: number): Promise<Partial<Record<Became | 'gone', number>>> {
  const { rows } = await sql<{ became: Became | 'gone'; many: number }>`
    select became, count(*)::integer as many from package_pages where package_id = ${id} group by 1
    union all select 'gone', count(*)::integer from package_gone where package_id = ${id} having count(*) > 0`.execute(db);
  return Object.fromEntries(rows.map(({ became, many }) => [became, many]));
}

export interface GonePage {
  slug: string;
  title: string;
  address: string;
}

/** Pages that a newer version no longer holds, by place. */
export async function goneWith(db: Database | Write, id: number, limit: number): Promise<GonePage[]> {
  const { rows } = await sql<GonePage>`select p.slug, p.title, p.address from package_gone g join pages p on p.id = g.page_id
    where g.package_id = ${id} order by p.position, p.id limit ${limit}`.execute(db);
  return rows;
}

/** Gives the pages of a collection the places a newer version has for them, and takes those out of sight that it does not hold. */
export async function renewPlaces(trx: Write, id: number, collectionId: number): Promise<void> {
  await sql`with placed as (
      update pages p set address = t.path, entry = t.entry, inside = t.inside, position = t.position, part = t.part, gone_at = null,
        title = case when p.scope = 'fragment' then t.title else p.title end,
        base = case when t.text_sha256 = h.text_sha256 then p.head else p.base end, version = p.version + 1
      from package_pages t, revisions h
      where t.package_id = ${id} and t.page_id = p.id and h.page_id = p.id and h.number = p.head returning p.id)
    update page_status s set collection_id = ${collectionId} from placed where placed.id = s.page_id and s.collection_id is null`.execute(
    trx,
  );
  await sql`with gone as (update pages set gone_at = now(), version = version + 1
      where gone_at is null and id in (select page_id from package_gone where package_id = ${id}) returning id),
    using_things as (delete from uses where page_id in (select id from gone)),
    referring as (delete from page_references where page_id in (select id from gone))
    update page_status set collection_id = null where page_id in (select id from gone)`.execute(trx);
}

/** Lets newer texts of pages wait to be examined, each with its place in a newer version. */
export async function addNewerTexts(
  trx: Write,
  id: number,
  texts: readonly { path: string; html: string; encoding: string; bom: boolean }[],
): Promise<void> {
  await sql`insert into arrivals (page_id, html, encoding, bom) select t.page_id, rows.html, rows.encoding, rows.bom
    from ${rowsFrom(texts, 'path text, html text, encoding text, bom boolean')}
      join package_pages t on t.package_id = ${id} and t.path = rows.path and t.page_id is not null`.execute(trx);
}

/** Says that a page's newest revision is its text as it came. */
export async function setBase(trx: Write, pageId: number): Promise<void> {
  await sql`update pages set base = head where id = ${pageId}`.execute(trx);
}

/** The version a collection is at: the package it came in, and how many came before it. */
export interface Version {
  id: number;
  nth: number;
  name: string;
  by: string;
  here_at: Date;
  /** What was open before it: must, should, consider, questions; null for the first. */
  open_before: [number, number, number, number] | null;
}

export async function newestVersion(db: Database | Write, collectionId: number): Promise<Version | undefined> {
  const { rows } = await sql<Version>`select k.id, (count(*) over ())::integer as nth, k.name, p.name as by, k.here_at, k.open_before
    from packages k join people p on p.id = k.made_by
    where k.collection_id = ${collectionId} and k.state = 'here' order by k.here_at desc, k.id desc limit 1`.execute(db);
  return rows[0];
}
