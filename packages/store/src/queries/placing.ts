import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { StoredPage } from './pages.ts';

/** Changes what a page is called, what it is, or where it lies. */
export async function changePlacing(
  trx: Write,
  pageId: number,
  change: Partial<Pick<StoredPage, 'title' | 'scope' | 'address'>>,
): Promise<void> {
  await trx
    .updateTable('pages')
    .set((eb) => ({ ...change, version: eb('version', '+', 1) }))
    .where('id', '=', pageId)
    .execute();
}

/** Lets a page stand right behind another of its collection, or first of all: those behind it give way. */
export async function standBehind(trx: Write, page: Pick<StoredPage, 'id' | 'collection_id'>, behind: string | null): Promise<boolean> {
  const { rows } = await sql<{ position: number }>`select position from pages
    where collection_id = ${page.collection_id} and slug = ${behind} and gone_at is null and id <> ${page.id}`.execute(trx);
  if (behind !== null && !rows[0]) return false;
  const at = rows[0] ? rows[0].position + 1 : 1;
  await sql`update pages set position = case when id = ${page.id} then ${at} else position + 1 end
    where collection_id = ${page.collection_id} and (id = ${page.id} or position >= ${at})`.execute(trx);
  return true;
}

/** Whether a page or a file of a collection lies at a path. */
export async function isTaken(db: Database | Write, collectionId: number, path: string): Promise<boolean> {
  const { rows } = await sql<{ taken: boolean }>`select
    exists (select 1 from pages where collection_id = ${collectionId} and address = ${path})
      or exists (select 1 from assets where collection_id = ${collectionId} and path = ${path}) as taken`.execute(db);
  return rows[0]!.taken;
}

/** Takes pages out of sight, whatever hangs on them kept. Gives those that were there, with where they lay. */
export async function takePagesOut(
  trx: Write,
  pages: readonly number[],
  by: string,
): Promise<{ id: number; address: string; title: string }[]> {
  const { rows } = await sql<{ id: number; address: string; title: string }>`with gone as (
      update pages set gone_at = now(), gone_by = ${by}, version = version + 1
      where id = any(${pages}::integer[]) and gone_at is null returning id, address, title),
    using_things as (delete from uses where page_id in (select id from gone)),
    referring as (delete from page_references where page_id in (select id from gone)),
    unseen as (update page_status set collection_id = null where page_id in (select id from gone))
    select * from gone order by id`.execute(trx);
  return rows;
}

/** Brings pages that were taken out back to where they stood. Gives them. */
export async function bringPagesBack(
  trx: Write,
  collectionId: number,
  slugs: readonly string[],
): Promise<{ id: number; address: string; title: string }[]> {
  const { rows } = await sql<{ id: number; address: string; title: string }>`with back as (
      update pages set gone_at = null, gone_by = null, version = version + 1
      where collection_id = ${collectionId} and slug = any(${slugs}::text[]) and gone_at is not null returning id, address, title),
    seen as (update page_status set collection_id = ${collectionId} where page_id in (select id from back))
    select * from back order by id`.execute(trx);
  return rows;
}

export interface PageOut {
  slug: string;
  title: string;
  address: string;
  gone_at: Date;
  /** Who took it out; null for one that the newest version no longer holds. */
  by: string | null;
}

/** Pages of a collection that are out of sight, the latest first, `skip` of them left out. */
export function pagesOut(db: Database | Write, collectionId: number, skip: number, limit: number): Promise<PageOut[]> {
  return db
    .selectFrom('pages')
    .leftJoin('people', 'people.id', 'pages.gone_by')
    .select(['slug', 'title', 'address', 'gone_at', 'people.name as by'])
    .where('collection_id', '=', collectionId)
    .where('gone_at', 'is not', null)
    .orderBy('gone_at', 'desc')
    .orderBy('pages.id')
    .offset(skip)
    .limit(limit)
    .$narrowType<{ gone_at: Date }>()
    .execute();
}

/** Lets a newer text of one page wait to be examined, in place of one that waits already. */
export async function addNewerText(trx: Write, page: { id: number; html: string; encoding: string; bom: boolean }): Promise<void> {
  await sql`insert into arrivals (page_id, html, encoding, bom) values (${page.id}, ${page.html}, ${page.encoding}, ${page.bom})
    on conflict (page_id) do update set html = excluded.html, encoding = excluded.encoding, bom = excluded.bom`.execute(trx);
}
