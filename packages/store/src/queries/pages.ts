import { sql, type RawBuilder, type Selectable } from 'kysely';
import type { MakeUp, Reference, RuleTrouble } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Cause, Pages, Release, Revisions, SignOffs } from '../schema.ts';
import { hashOf } from './files.ts';
import type { Bar } from './profiles.ts';

export type StoredPage = Selectable<Pages>;
export type Revision = Selectable<Revisions> & { html: string; by: string };
export type SignOff = Selectable<SignOffs>;

export interface PlacedPage extends StoredPage {
  collection_title: string;
  collection_slug: string;
  bar_id: number;
  release: Release;
  time_zone: string;
  elsewhere_holds: boolean;
}

function placedPages(db: Database | Write) {
  return db
    .selectFrom('pages')
    .innerJoin('collections', 'collections.id', 'pages.collection_id')
    .innerJoin('page_status', 'page_status.page_id', 'pages.id')
    .innerJoin('house', (join) => join.onTrue())
    .selectAll('pages')
    .select([
      'collections.title as collection_title',
      'collections.slug as collection_slug',
      'page_status.bar_id',
      'page_status.release',
      'house.time_zone',
      'house.elsewhere_holds',
    ]);
}

/** A page by its id, also one that has gone; undefined for one that is not there, or lies in a collection that was taken out. */
export function pageById(db: Database | Write, id: number): Promise<PlacedPage | undefined> {
  return placedPages(db).where('pages.id', '=', id).where('collections.taken_out_at', 'is', null).executeTakeFirst();
}

/**
 * The one way into a page for whoever writes: waits for its row, keeps others waiting until the transaction ends, and only then reads. What
 * was read in the statement that waits would be as it was before the wait. Undefined for one that is not there, has gone, or lies in a
 * collection that was taken out.
 */
export async function lockPage(trx: Write, id: number): Promise<PlacedPage | undefined> {
  const page = (await waitForPage(trx, id)) ? await pageById(trx, id) : undefined;
  return page?.gone_at === null ? page : undefined;
}

/** The same, also of pages that have gone and of collections that were taken out: for what the system keeps right of them. */
export async function lockAnyPage(trx: Write, id: number): Promise<PlacedPage | undefined> {
  return (await waitForPage(trx, id)) ? placedPages(trx).where('pages.id', '=', id).executeTakeFirst() : undefined;
}

async function waitForPage(trx: Write, id: number): Promise<boolean> {
  return (await trx.selectFrom('pages').select('id').where('id', '=', id).forUpdate().executeTakeFirst()) !== undefined;
}

export function pageAtAddress(db: Database | Write, collectionId: number, address: string): Promise<StoredPage | undefined> {
  return db.selectFrom('pages').selectAll().where('collection_id', '=', collectionId).where('address', '=', address).executeTakeFirst();
}

export function pageBySlug(db: Database | Write, collectionId: number, slug: string): Promise<StoredPage | undefined> {
  return db
    .selectFrom('pages')
    .selectAll()
    .where('collection_id', '=', collectionId)
    .where('slug', '=', slug)
    .where('gone_at', 'is', null)
    .executeTakeFirst();
}

export interface NewPage {
  collection_id: number;
  slug: string;
  title: string;
  scope: StoredPage['scope'];
  content_type: string;
  address: string;
  made_by: string;
}

/** A page behind the last one of its collection, held to a bar; its first revision is still to come. */
export async function addPage(trx: Write, page: NewPage, barId: number): Promise<number> {
  const { rows } = await sql<{ id: number }>`with made as (
      insert into pages (collection_id, slug, title, scope, content_type, address, position, head, redo, made_by)
      select ${page.collection_id}::integer, ${page.slug}::text, ${page.title}::text, ${page.scope}::text, ${page.content_type}::text,
        ${page.address}::text,
        coalesce((select max(position) from pages where collection_id = ${page.collection_id}), 0) + 1, 0, '[]'::jsonb,
          ${page.made_by}::text
      returning id, collection_id),
    status as (insert into page_status (page_id, collection_id, bar_id) select id, collection_id, ${barId}::integer from made)
    select id from made`.execute(trx);
  return rows[0]!.id;
}

/** A page's addresses that are taken already, of those that begin alike. */
export async function slugsLike(db: Database | Write, collectionId: number, base: string): Promise<Set<string>> {
  const rows = await db
    .selectFrom('pages')
    .select('slug')
    .where('collection_id', '=', collectionId)
    .where(sql<boolean>`starts_with(slug, ${base})`)
    .execute();
  return new Set(rows.map((row) => row.slug));
}

export function revisionOf(db: Database | Write, pageId: number, number: number): Promise<Revision | undefined> {
  return db
    .selectFrom('revisions')
    .innerJoin('texts', 'texts.sha256', 'revisions.text_sha256')
    .innerJoin('people', 'people.id', 'revisions.made_by')
    .selectAll('revisions')
    .select(['texts.html', 'people.name as by'])
    .where('page_id', '=', pageId)
    .where('number', '=', number)
    .executeTakeFirst();
}

/** The newest revision of a page that has a text; null for none. */
export async function revisionSaying(db: Database | Write, pageId: number, html: string): Promise<number | null> {
  const row = await db
    .selectFrom('revisions')
    .select('number')
    .where('page_id', '=', pageId)
    .where('text_sha256', '=', hashOf(html))
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.number ?? null;
}

/** A page as the engine needs it. */
export interface PageForEngine {
  page: PlacedPage;
  html: string;
  references: Reference[];
  bar: Bar;
  /** Version of the engine that made its newest audit, and the hash of what that looked at. */
  engine: string;
  inputs: string;
  /** Rules that failed in it. */
  troubles: RuleTrouble[];
}

/**
 * A page with its newest text, what that refers to and the bar it is held to, in one statement; undefined where there is none, or where
 * its collection was taken out. `takenOutToo`: for the system, which keeps audits of those right too.
 */
export async function pageForEngine(
  db: Database | Write,
  which: { id: number; takenOutToo?: boolean } | { collection: string; slug: string },
): Promise<PageForEngine | undefined> {
  const where =
    'id' in which
      ? sql`p.id = ${which.id} and ${which.takenOutToo ? sql`true` : sql`c.taken_out_at is null`}`
      : sql`c.slug = ${which.collection} and c.taken_out_at is null and p.slug = ${which.slug}`;
  const { rows } = await sql<
    PlacedPage & { html: string; refs: Reference[]; bar: Bar; engine: string; inputs: string; troubles: RuleTrouble[] }
  >`select p.*, c.title as collection_title, c.slug as collection_slug, s.bar_id, s.release, house.time_zone, house.elsewhere_holds,
    t.html, a.engine, a.inputs, a.troubles,
      coalesce((select jsonb_agg(jsonb_build_object('kind', kind, 'target', target, 'fragment', fragment, 'alternative',
        alternative)) from page_references r where r.page_id = p.id), '[]') as refs,
      jsonb_build_object('id', b.id, 'versionId', v.id, 'contentType', b.content_type, 'profile', v.selection, 'vocabulary', v.vocabulary) as bar
    from pages p join collections c on c.id = p.collection_id join page_status s on s.page_id = p.id cross join house
      join audits a on a.id = p.audit_id join revisions n on n.page_id = p.id and n.number = p.head
    join texts t on t.sha256 = n.text_sha256 join bars b on b.id = s.bar_id join profile_versions v on v.id = b.profile_version_id
      where ${where}`.execute(db);
  const row = rows[0];
  if (!row) return undefined;
  const { html, refs, bar, engine, inputs, troubles, ...page } = row;
  return { page, html, references: refs, bar, engine, inputs, troubles };
}

/** The newest text of a page. */
export async function headText(db: Database | Write, page: Pick<StoredPage, 'id' | 'head'>): Promise<string> {
  const row = await db
    .selectFrom('revisions')
    .innerJoin('texts', 'texts.sha256', 'revisions.text_sha256')
    .select('texts.html')
    .where('page_id', '=', page.id)
    .where('number', '=', page.head)
    .executeTakeFirstOrThrow();
  return row.html;
}

export interface NewRevision {
  page_id: number;
  number: number;
  html: string;
  title: string;
  cause: Cause;
  note: string;
  made_by: string;
  encoding: string | null;
  bom: boolean;
  bytes_sha256: string | null;
  /** For undo and redo: the revision whose text this is. */
  content: number | null;
}

/** Keeps a text by its hash and a revision that names it. What the revision before it knew of its bytes carries over. */
export async function addRevision(trx: Write, next: NewRevision): Promise<void> {
  const sha256 = hashOf(next.html);
  await sql`with text as (insert into texts (sha256, html) values (${sha256}, ${next.html}) on conflict do nothing),
      head as (select number, content, encoding, bom, bytes_sha256 from revisions where page_id = ${next.page_id}
        and number = ${next.number - 1})
    insert into revisions (page_id, number, parent, content, content_before, text_sha256, title, encoding, bom, bytes_sha256, cause,
      note, made_by)
    select ${next.page_id}::integer, ${next.number}::integer, head.number, coalesce(${next.content}::integer, ${next.number}::integer),
      case when ${next.content}::integer is null then head.content else (select content_before from revisions
        where page_id = ${next.page_id} and number = ${next.content}::integer) end,
      ${sha256}::text, ${next.title}::text, coalesce(${next.encoding}::text, head.encoding), case when ${next.encoding}::text is null
        then coalesce(head.bom, false) else ${next.bom}::boolean end,
      coalesce(${next.bytes_sha256}::text, head.bytes_sha256), ${next.cause}::text, ${next.note}::text, ${next.made_by}::text
    from (select 1) one left join head on true`.execute(trx);
}

export interface RevisionLine {
  number: number;
  cause: Cause;
  note: string;
  made_by: string;
  content_before: number | null;
  by: string;
  made_at: Date;
}

/** The newest revisions of a page, without their text. */
export function revisionLines(db: Database | Write, pageId: number, most = 50): Promise<RevisionLine[]> {
  return db
    .selectFrom('revisions')
    .innerJoin('people', 'people.id', 'revisions.made_by')
    .select(['number', 'cause', 'note', 'made_by', 'content_before', 'people.name as by', 'made_at'])
    .where('page_id', '=', pageId)
    .orderBy('number', 'desc')
    .limit(most)
    .execute();
}

/** Raises a page's version, and says what else changed of it. Gives the version. */
export async function touchPage(
  trx: Write,
  pageId: number,
  change: { head?: number; title?: string; redo?: number[]; audit_id?: number; make_up?: MakeUp } = {},
): Promise<number> {
  const { redo, make_up: makeUp, ...rest } = change;
  const { version } = await trx
    .updateTable('pages')
    .set((eb) => ({
      ...rest,
      ...(redo ? { redo: JSON.stringify(redo) } : {}),
      ...(makeUp ? { make_up: JSON.stringify(makeUp) } : {}),
      version: eb('version', '+', 1),
      ...(change.head === undefined ? {} : { head_version: eb('version', '+', 1) }),
    }))
    .where('id', '=', pageId)
    .returning('version')
    .executeTakeFirstOrThrow();
  return version;
}

/** Pages of a collection by their addresses in the application; those that have gone are not among them. */
export async function pagesNamed(db: Database | Write, collectionId: number, slugs: readonly string[]): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select id from pages where collection_id = ${collectionId} and gone_at is null
    and slug = any(${slugs}::text[]) order by position, id`.execute(db);
  return rows.map((row) => row.id);
}

/** Gives pages another content type. Gives those that had another. */
export async function changeTypes(trx: Write, pages: readonly number[], contentType: string): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`update pages set content_type = ${contentType}, version = version + 1
    where id = any(${pages}::integer[]) and content_type <> ${contentType} returning id`.execute(trx);
  return rows.map((row) => row.id);
}

/** The newest sign-off of a page, in force or lapsed, with the names of who signed and by whom it lapsed. */
export function lastSignOff(db: Database | Write, pageId: number): Promise<(SignOff & { by: string; lapser: string | null }) | undefined> {
  return db
    .selectFrom('sign_offs')
    .innerJoin('people', 'people.id', 'sign_offs.signed_by')
    .leftJoin('people as lapser', 'lapser.id', 'sign_offs.lapsed_by')
    .selectAll('sign_offs')
    .select(['people.name as by', 'lapser.name as lapser'])
    .where('page_id', '=', pageId)
    .orderBy('sign_offs.id', 'desc')
    .limit(1)
    .executeTakeFirst();
}

export async function addSignOff(
  trx: Write,
  signed: Pick<SignOff, 'page_id' | 'revision' | 'audit_id' | 'profile_version_id' | 'signed_by'>,
): Promise<void> {
  await trx
    .insertInto('sign_offs')
    .values({ ...signed, lapsed_by: null, lapsed_because: null, lapsed_finding: null, lapsed_revision: null })
    .execute();
}

export interface Lapse {
  by: string;
  because: 'text' | 'decision' | 'exception' | 'standard' | 'audit' | 'file';
  revision: number;
  finding?: number | null;
}

/** Ends the sign-off in force, when there is one, and the signatures that were to become one. */
export async function lapseSignOff(trx: Write, pageId: number, lapse: Lapse): Promise<boolean> {
  await endSignatures(trx, sql`${pageId}::integer`);
  const result = await trx
    .updateTable('sign_offs')
    .set({
      lapsed_at: new Date(),
      lapsed_by: lapse.by,
      lapsed_because: lapse.because,
      lapsed_finding: lapse.finding ?? null,
      lapsed_revision: lapse.revision,
    })
    .where('page_id', '=', pageId)
    .where('lapsed_at', 'is', null)
    .executeTakeFirst();
  return result.numUpdatedRows > 0n;
}

/** Signatures of some pages count no more: what they were given to has changed. `pages`: ids, as a list or a query. */
export async function endSignatures(trx: Write, pages: RawBuilder<unknown>): Promise<void> {
  await sql`update signatures set ended_at = now() where ended_at is null and page_id in (${pages})`.execute(trx);
}

/** A sign-off in force, and signatures that are to become one, rest on a newer audit from now on, which says the same. */
export async function confirmSignOff(trx: Write, pageId: number, auditId: number): Promise<void> {
  await trx.updateTable('signatures').set({ audit_id: auditId }).where('page_id', '=', pageId).where('ended_at', 'is', null).execute();
  await trx.updateTable('sign_offs').set({ audit_id: auditId }).where('page_id', '=', pageId).where('lapsed_at', 'is', null).execute();
}

export interface PageLink {
  slug: string;
  title: string;
}

export interface PagesBeside {
  before: PageLink | null;
  after: PageLink | null;
  /** The next page, round the collection, on which something is open. */
  open: PageLink | null;
}

/** The pages before and after one in its collection's order, and the next with something open. */
export async function pagesBeside(db: Database | Write, page: Pick<StoredPage, 'id' | 'collection_id' | 'position'>): Promise<PagesBeside> {
  const here = sql`collection_id = ${page.collection_id} and gone_at is null`;
  const place = sql`(${page.position}, ${page.id})`;
  const someOpen = sql`exists (select 1 from page_status s where s.page_id = pages.id and s.must + s.should + s.consider + s.questions > 0)`;
  // The second half of the round is looked at only where the first has none.
  const { rows } = await sql<PageLink & { way: keyof PagesBeside }>`
    (select 'before' as way, slug, title from pages where ${here} and (position, id) < ${place} order by position desc, id desc limit 1)
    union all
    (select 'after' as way, slug, title from pages where ${here} and (position, id) > ${place} order by position, id limit 1)
    union all
    (select 'open' as way, slug, title from (
      (select slug, title from pages where ${here} and (position, id) > ${place} and ${someOpen} order by position, id limit 1)
      union all
      (select slug, title from pages where ${here} and (position, id) < ${place} and ${someOpen} order by position, id limit 1)) round limit 1)`.execute(
    db,
  );
  const link = (way: keyof PagesBeside) => rows.filter((row) => row.way === way).map(({ slug, title }) => ({ slug, title }))[0] ?? null;
  return { before: link('before'), after: link('after'), open: link('open') };
}
