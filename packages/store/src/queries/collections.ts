import { sql, type Selectable } from 'kysely';
import type { Database } from '../database.ts';
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
