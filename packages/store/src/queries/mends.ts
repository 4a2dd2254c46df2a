import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { StrokeFiles } from '../schema.ts';
import { strokeLines, type StrokeLine } from './slips.ts';

/** A page's text with where it stands, for reading alone. */
export interface TextOfPage {
  id: number;
  collection_id: number;
  scope: 'document' | 'fragment';
  title: string;
  address: string;
  html: string;
}

/** The newest texts of some pages. */
export async function textsOfPages(db: Database | Write, ids: readonly number[]): Promise<TextOfPage[]> {
  const { rows } = await sql<TextOfPage>`select p.id, p.collection_id, p.scope, p.title, p.address, t.html from pages p
    join revisions r on r.page_id = p.id and r.number = p.head join texts t on t.sha256 = r.text_sha256
    where p.id = any(${ids}::integer[]) and p.gone_at is null order by p.id`.execute(db);
  return rows;
}

/** Pages of a collection that show, hold, or lead to one of some files. */
export async function pagesShowing(db: Database | Write, collectionId: number, paths: readonly string[]): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select distinct page_id as id from (
      select u.page_id from things t join uses u on u.thing_id = t.id where t.collection_id = ${collectionId}
        and t.register = 0 and t.name = any(${paths}::text[])
      union all select r.page_id from unnest(${paths}::text[]) p (path) join page_references r on r.collection_id = ${collectionId}
        and r.kind in ('link', 'media', 'image', 'sheet') and md5(r.target) = md5(p.path) and r.target = p.path) found order by 1`.execute(
    db,
  );
  return rows.map(({ id }) => id);
}

export type StrokeFile = Pick<StrokeFiles, 'path' | 'before' | 'after'>;

/** Lets files lie at other paths, or others in their place, and writes down what lay there before. */
export async function changeFiles(trx: Write, strokeId: number, collectionId: number, files: readonly StrokeFile[]): Promise<void> {
  const rows = rowsFrom(files, 'path text, before text, after text');
  await sql`insert into stroke_files (stroke_id, path, before, after) select ${strokeId}::integer, path, before, after from ${rows}`.execute(
    trx,
  );
  await putFiles(trx, collectionId, files);
}

async function putFiles(trx: Write, collectionId: number, files: readonly StrokeFile[]): Promise<void> {
  const rows = rowsFrom(files, 'path text, before text, after text');
  await sql`delete from assets a using ${rows} where a.collection_id = ${collectionId} and a.path = rows.path and rows.after is null`.execute(
    trx,
  );
  await sql`insert into assets (collection_id, path, sha256) select ${collectionId}::integer, path, after from ${rows} where after is not null
    on conflict (collection_id, path) do update set sha256 = excluded.sha256`.execute(trx);
}

/** Puts back what lay at the paths an act changed, where nobody has changed them since. Gives those that stay as they are. */
export async function putFilesBack(trx: Write, strokeId: number, collectionId: number): Promise<{ back: string[]; stay: string[] }> {
  const { rows } = await sql<StrokeFile & { now: string | null }>`select f.path, f.before, f.after, a.sha256 as now from stroke_files f
    left join assets a on a.collection_id = ${collectionId} and a.path = f.path where f.stroke_id = ${strokeId} order by f.path`.execute(
    trx,
  );
  const same = rows.filter(({ now, after }) => now === after);
  await putFiles(
    trx,
    collectionId,
    same.map(({ path, before, after }) => ({ path, before: after, after: before })),
  );
  await trx.deleteFrom('redirects').where('stroke_id', '=', strokeId).execute();
  return { back: same.map(({ path }) => path), stay: rows.filter((one) => !same.includes(one)).map(({ path }) => path) };
}

/** Says where files lie now that have another name; what led to the old name by another leads there at once. */
export async function addRedirects(
  trx: Write,
  strokeId: number,
  collectionId: number,
  renames: readonly (readonly [string, string])[],
): Promise<void> {
  const rows = rowsFrom(
    renames.map(([path, to]) => ({ path, to })),
    'path text, "to" text',
  );
  await sql`update redirects r set leads_to = rows."to" from ${rows} where r.collection_id = ${collectionId} and r.leads_to = rows.path`.execute(
    trx,
  );
  await sql`insert into redirects (collection_id, path, leads_to, stroke_id)
    select ${collectionId}::integer, path, "to", ${strokeId}::integer from ${rows}
    on conflict (collection_id, path) do update set leads_to = excluded.leads_to, stroke_id = excluded.stroke_id, made_at = now()`.execute(
    trx,
  );
  await sql`delete from redirects where collection_id = ${collectionId} and path = leads_to`.execute(trx);
}

/** Where files of a collection lie now that have another name, by the name they had. */
export async function redirectsOf(db: Database | Write, collectionId: number): Promise<{ path: string; leads_to: string }[]> {
  return db.selectFrom('redirects').select(['path', 'leads_to']).where('collection_id', '=', collectionId).orderBy('path').execute();
}

/** Files of a collection that hold something else than when they came, as acts changed them. */
export async function filesChanged(db: Database | Write, collectionId: number): Promise<{ path: string; sha256: string; size: number }[]> {
  const { rows } = await sql<{ path: string; sha256: string; size: number }>`select distinct a.path, a.sha256, f.size::integer as size
    from strokes s join stroke_files g on g.stroke_id = s.id join assets a on a.collection_id = s.collection_id and a.path = g.path
      join files f on f.sha256 = a.sha256
    where s.collection_id = ${collectionId} and g.before is not null and g.after is not null order by 1`.execute(db);
  return rows;
}

/** The acts of one wish, with what came of each. */
export async function strokesTogether(db: Database | Write, together: string): Promise<(StrokeLine & { collection_id: number })[]> {
  const strokes = await db.selectFrom('strokes').select(['id', 'collection_id']).where('together', '=', together).orderBy('id').execute();
  const lines = await Promise.all(
    strokes.map(async ({ id, collection_id }) =>
      (await strokeLines(db, collection_id, { limit: 1, only: id })).map((line) => ({ ...line, collection_id })),
    ),
  );
  return lines.flat();
}

/** Names and places of the things a page uses. */
export function thingsOn(db: Database | Write, pageId: number): Promise<{ name: string; place: string }[]> {
  return db
    .selectFrom('uses')
    .innerJoin('things', 'things.id', 'uses.thing_id')
    .select(['things.name', 'things.place'])
    .where('page_id', '=', pageId)
    .execute();
}
