import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Cause, Pages, Revisions, SignOffs } from '../schema.ts';

export type StoredPage = Selectable<Pages>;
export type Revision = Selectable<Revisions>;
export type SignOff = Selectable<SignOffs>;

export function pageBySlug(db: Database, collection: string, page: string): Promise<(StoredPage & { collection_title: string; collection_slug: string }) | undefined> {
  return db
    .selectFrom('pages')
    .innerJoin('collections', 'collections.id', 'pages.collection_id')
    .selectAll('pages')
    .select(['collections.title as collection_title', 'collections.slug as collection_slug'])
    .where('collections.slug', '=', collection)
    .where('pages.slug', '=', page)
    .executeTakeFirst();
}

export function pageAtAddress(db: Database, collectionId: number, address: string): Promise<StoredPage | undefined> {
  return db.selectFrom('pages').selectAll().where('collection_id', '=', collectionId).where('address', '=', address).executeTakeFirst();
}

/** Titles of a collection's pages by address. */
export async function titlesByAddress(db: Database, collectionId: number): Promise<Map<string, string>> {
  const rows = await db.selectFrom('pages').select(['address', 'title']).where('collection_id', '=', collectionId).execute();
  return new Map(rows.map((row) => [row.address, row.title]));
}

/** Reads a page and keeps other writers of it waiting until the transaction ends. */
export function lockPage(trx: Write, id: number): Promise<StoredPage | undefined> {
  return trx.selectFrom('pages').selectAll().where('id', '=', id).forUpdate().executeTakeFirst();
}

export function revisionOf(db: Database, pageId: number, number: number): Promise<Revision | undefined> {
  return db.selectFrom('revisions').selectAll().where('page_id', '=', pageId).where('number', '=', number).executeTakeFirst();
}

export interface RevisionLine {
  number: number;
  cause: Cause;
  note: string;
  made_by: string;
  by: string;
  made_at: Date;
}

/** The newest revisions of a page, without their text. */
export function revisionLines(db: Database, pageId: number, most = 50): Promise<RevisionLine[]> {
  return db
    .selectFrom('revisions')
    .innerJoin('people', 'people.id', 'revisions.made_by')
    .select(['number', 'cause', 'note', 'made_by', 'people.name as by', 'made_at'])
    .where('page_id', '=', pageId)
    .orderBy('number', 'desc')
    .limit(most)
    .execute();
}

/** The newest sign-off of a page, in force or lapsed, with the name of who signed. */
export function lastSignOff(db: Database, pageId: number): Promise<(SignOff & { by: string }) | undefined> {
  return db
    .selectFrom('sign_offs')
    .innerJoin('people', 'people.id', 'sign_offs.signed_by')
    .selectAll('sign_offs')
    .select('people.name as by')
    .where('page_id', '=', pageId)
    .orderBy('sign_offs.id', 'desc')
    .limit(1)
    .executeTakeFirst();
}

/** Ends the sign-off in force, when there is one: `revision` is the one that made it lapse. */
export async function lapseSignOff(trx: Write, pageId: number, revision: number): Promise<void> {
  await trx.updateTable('sign_offs').set({ lapsed_by_revision: revision, lapsed_at: new Date() }).where('page_id', '=', pageId).where('lapsed_at', 'is', null).execute();
}

/** A page of a collection with what stands open on it, counted in the database. */
export interface PageCounts {
  id: number;
  slug: string;
  title: string;
  content_type: string;
  scope: string;
  head: number;
  counts: { family: string; weight: string; outcome: string; ruled: string | null; many: number }[];
  signed_revision: number | null;
  has_lapsed: boolean;
}

export function pagesWithCounts(db: Database, collectionId: number): Promise<PageCounts[]> {
  const counts = sql<PageCounts['counts']>`(
    select coalesce(jsonb_agg(c), '[]') from (
      select family, weight, outcome, ruled, count(*)::int as many from findings
      where findings.page_id = pages.id and asked and standing in ('open', 'in hand', 'returned')
      group by family, weight, outcome, ruled) c)`;
  const signed = sql<number | null>`(select revision from sign_offs where sign_offs.page_id = pages.id and lapsed_at is null)`;
  const lapsed = sql<boolean>`exists (select 1 from sign_offs where sign_offs.page_id = pages.id and lapsed_at is not null)`;
  return db
    .selectFrom('pages')
    .select(['id', 'slug', 'title', 'content_type', 'scope', 'head'])
    .select([counts.as('counts'), signed.as('signed_revision'), lapsed.as('has_lapsed')])
    .where('collection_id', '=', collectionId)
    .orderBy('position')
    .orderBy('id')
    .execute();
}

/** The pages before and after one in its collection's order. */
export async function neighbourPages(db: Database, page: Pick<StoredPage, 'id' | 'collection_id' | 'position'>): Promise<{ before: PageLink | null; after: PageLink | null }> {
  const beside = (way: '<' | '>', order: 'asc' | 'desc') =>
    db.selectFrom('pages').select(['slug', 'title']).where('collection_id', '=', page.collection_id).where(sql<boolean>`(position, id) ${sql.raw(way)} (${page.position}, ${page.id})`).orderBy('position', order).orderBy('id', order).limit(1).executeTakeFirst();
  const [before, after] = await Promise.all([beside('<', 'desc'), beside('>', 'asc')]);
  return { before: before ?? null, after: after ?? null };
}

export interface PageLink {
  slug: string;
  title: string;
}

/** A page with the text of its newest revision. */
export interface PageText extends PageLink {
  address: string;
  scope: StoredPage['scope'];
  html: string;
}

/** Other pages of a page's collection whose newest text holds one of some words, by title. */
export function pagesHolding(db: Database, pageId: number, words: readonly string[], limit: number): Promise<PageText[]> {
  return db
    .selectFrom('pages as page')
    .innerJoin('pages as other', (join) => join.onRef('other.collection_id', '=', 'page.collection_id').onRef('other.id', '!=', 'page.id'))
    .innerJoin('revisions', (join) => join.onRef('revisions.page_id', '=', 'other.id').onRef('revisions.number', '=', 'other.head'))
    .select(['other.slug', 'other.title', 'other.address', 'other.scope', 'revisions.html'])
    .where('page.id', '=', pageId)
    .where((eb) => eb.or(words.map((word) => eb(eb.fn<number>('strpos', ['revisions.html', eb.val(word)]), '>', 0))))
    .orderBy('other.title')
    .limit(limit)
    .execute();
}
