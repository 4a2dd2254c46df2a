import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Collections } from '../schema.ts';

export type Collection = Selectable<Collections>;

export function collections(db: Database): Promise<Collection[]> {
  return db.selectFrom('collections').selectAll().orderBy(sql`title collate "und-x-icu"`).execute();
}

export function collectionBySlug(db: Database, slug: string): Promise<Collection | undefined> {
  return db.selectFrom('collections').selectAll().where('slug', '=', slug).executeTakeFirst();
}

/** Texts of a collection's style sheets by path; overlong ones are left out. */
export async function sheetsByPath(db: Database, collectionId: number): Promise<Record<string, string>> {
  const rows = await db
    .selectFrom('assets')
    .innerJoin('files', 'files.sha256', 'assets.sha256')
    .select(['assets.path', 'files.bytes'])
    .where('collection_id', '=', collectionId)
    .where('assets.path', 'like', '%.css')
    .execute();
  return Object.fromEntries(rows.filter((row) => row.bytes.length <= LONGEST_SHEET).map((row) => [row.path, row.bytes.toString('utf8')]));
}

/** Lets a file of a collection lie at a second path too; the first goes on working. Nothing happens when there is no such file, or the place is taken. */
export async function placeFileAlsoAt(trx: Write, collectionId: number, from: string, to: string): Promise<void> {
  const file = await trx.selectFrom('assets').select('sha256').where('collection_id', '=', collectionId).where('path', '=', from).executeTakeFirst();
  if (file) await trx.insertInto('assets').values({ collection_id: collectionId, path: to, sha256: file.sha256 }).onConflict((on) => on.doNothing()).execute();
}

const LONGEST_SHEET = 2_000_000;

export async function assetAt(db: Database, collectionId: number, path: string): Promise<{ media_type: string; bytes: Buffer; sha256: string } | undefined> {
  return db
    .selectFrom('assets')
    .innerJoin('files', 'files.sha256', 'assets.sha256')
    .select(['files.media_type', 'files.bytes', 'files.sha256'])
    .where('collection_id', '=', collectionId)
    .where('path', '=', path)
    .executeTakeFirst();
}
