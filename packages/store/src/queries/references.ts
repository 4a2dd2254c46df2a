import { sql } from 'kysely';
import type { Reference } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';

/** What the newest text of a page refers to. */
export async function referencesOf(db: Database | Write, pageId: number): Promise<Reference[]> {
  return db.selectFrom('page_references').select(['kind', 'target', 'fragment', 'alternative']).where('page_id', '=', pageId).execute();
}

const REFERENCE = 'kind text, target text, fragment text, alternative text';

/** Takes references of a page out and puts others in, in one statement. */
export async function writeReferences(
  trx: Write,
  page: { id: number; collection_id: number },
  gone: readonly Reference[],
  come: readonly Reference[],
): Promise<void> {
  if (gone.length + come.length === 0) return;
  await sql`with gone as (delete from page_references r using ${rowsFrom(gone, REFERENCE)}
      where r.page_id = ${page.id} and (r.kind, r.target, r.fragment) = (rows.kind, rows.target, rows.fragment)
        and r.alternative is not distinct from rows.alternative)
    insert into page_references (page_id, collection_id, kind, target, fragment, alternative)
    select ${page.id}::integer, ${page.collection_id}::integer, kind, target, fragment, alternative
      from ${rowsFrom(come, REFERENCE)}`.execute(trx);
}

export interface Named {
  pages: { address: string; title: string }[];
  files: string[];
  anchors: { address: string; name: string }[];
  /** Ids and names of the page that others lead to. */
  ledTo: string[];
  alternatives: { target: string; page: string; alt: string }[];
}

/** Alternatives of one image that are told: a few tell enough. */
const MOST_ALTERNATIVES = 12;

/**
 * What a collection knows of the addresses a page names: pages, files, anchors, and what others say of its images. Also pages of its
 * title.
 */
export async function named(
  db: Database | Write,
  page: { id: number; collection_id: number; title: string; address: string },
  paths: readonly string[],
  anchors: readonly { target: string; fragment: string }[],
  images: readonly string[],
): Promise<Named> {
  const wanted = rowsFrom(anchors, 'target text, fragment text');
  const { rows } = await sql<Named>`select
    (select coalesce(jsonb_agg(jsonb_build_object('address', address, 'title', title) order by address), '[]') from pages
      where collection_id = ${page.collection_id} and gone_at is null and id <> ${page.id} and (address = any(${paths}::text[]) or (title = ${page.title}
        and id in (select id from pages where collection_id = ${page.collection_id} and title = ${page.title}
        and id <> ${page.id} and gone_at is null order by id limit 5)))) as pages,
    (select coalesce(jsonb_agg(path order by path), '[]') from assets where collection_id = ${page.collection_id}
      and path = any(${paths}::text[])) as files,
    (select coalesce(jsonb_agg(distinct jsonb_build_object('address', r.target, 'name', r.fragment)), '[]') from ${wanted}
      join page_references r on r.collection_id = ${page.collection_id} and r.kind = 'anchor' and md5(r.target) = md5(rows.target)
        and r.target = rows.target and md5(r.fragment) = md5(rows.fragment) and r.fragment = rows.fragment) as anchors,
    (select coalesce(jsonb_agg(distinct r.fragment), '[]') from page_references r where r.collection_id = ${page.collection_id}
      and r.kind = 'link' and md5(r.target) = md5(${page.address}::text) and r.target = ${page.address} and r.fragment <> ''
      and r.page_id <> ${page.id}) as "ledTo",
    (select coalesce(jsonb_agg(jsonb_build_object('target', target, 'page', address, 'alt', alternative) order by target, address,
      alternative), '[]') from
      (select w.target, a.alternative, a.address from unnest(${images}::text[]) w (target) join lateral (
        select r.alternative, min(p.address collate "C") as address from page_references r join pages p on p.id = r.page_id
        where r.collection_id = ${page.collection_id} and r.kind = 'image' and md5(r.target) = md5(w.target) and r.target = w.target
          and r.alternative <> '' and r.page_id <> ${page.id}
        group by r.alternative order by 2, 1 limit ${MOST_ALTERNATIVES}) a on true) told) as alternatives`.execute(db);
  return rows[0]!;
}

/** Texts of files of a collection by path, as UTF-8; longer ones than `most` bytes are left out. */
export async function textsOfFiles(
  db: Database | Write,
  collectionId: number,
  paths: readonly string[],
  most: number,
): Promise<Record<string, string>> {
  if (paths.length === 0) return {};
  const { rows } = await sql<{ path: string; bytes: Buffer }>`select a.path, string_agg(p.bytes, ''::bytea order by p.nth) as bytes
    from assets a join files f on f.sha256 = a.sha256 join file_pieces p on p.sha256 = f.sha256
    where a.collection_id = ${collectionId} and a.path = any(${paths}::text[]) and f.size <= ${most} group by a.path`.execute(db);
  return Object.fromEntries(rows.map((row) => [row.path, row.bytes.toString('utf8')]));
}

/** Pages of a collection that name one of some things: those to be audited again when it changes. Without the page itself. */
export async function pagesNaming(
  db: Database | Write,
  collectionId: number,
  self: number,
  what: { links?: readonly string[]; images?: readonly string[]; titles?: readonly string[]; sheets?: readonly string[] },
): Promise<number[]> {
  const ways = [
    ['link', what.links ?? []],
    ['image', what.images ?? []],
    ['sheet', what.sheets ?? []],
  ] as const;
  const parts = ways
    .filter(([, targets]) => targets.length > 0)
    .map(
      ([kind, targets]) => sql`select r.page_id from unnest(${targets}::text[]) w (target)
    join page_references r on r.collection_id = ${collectionId} and r.kind = ${kind}::text and md5(r.target) = md5(w.target)
      and r.target = w.target`,
    );
  if (what.titles?.length)
    parts.push(sql`select id as page_id from pages where collection_id = ${collectionId} and gone_at is null
      and title = any(${what.titles}::text[])`);
  if (parts.length === 0) return [];
  const { rows } = await sql<{
    page_id: number;
  }>`select distinct page_id from (${sql.join(parts, sql` union all `)}) n where page_id <> ${self} order by page_id`.execute(db);
  return rows.map((row) => row.page_id);
}

export interface ImageUse {
  slug: string;
  title: string;
  /** What is said of the image there; null for nothing, '' for decorative. */
  alt: string | null;
}

/** The other pages of a page's collection that show an image, by its path in the collection. */
export async function usesOfImage(db: Database | Write, pageId: number, image: string, limit: number): Promise<ImageUse[]> {
  const { rows } = await sql<ImageUse>`select other.slug, other.title, r.alternative as alt from pages page
    join page_references r on r.collection_id = page.collection_id and r.kind = 'image' and md5(r.target) = md5(${image}::text)
      and r.target = ${image}
    join pages other on other.id = r.page_id where page.id = ${pageId} and other.id <> page.id order by other.title collate "und-x-icu",
      other.id, r.alternative limit ${limit}`.execute(db);
  return rows;
}

/** Pages whose newest audit is not of this engine: the newest audits first. */
export async function pagesOfOtherEngines(db: Database | Write, engine: string): Promise<number[]> {
  const { rows } = await sql<{
    id: number;
  }>`select p.id from pages p join audits a on a.id = p.audit_id where a.engine <> ${engine} order by a.made_at desc, p.id desc`.execute(
    db,
  );
  return rows.map((row) => row.id);
}
