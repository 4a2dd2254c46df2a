import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { StoredFile } from './files.ts';

/** Images nobody has looked at yet, of one collection, the same bytes once. */
export async function imagesToLookAt(db: Database | Write, collectionId: number, limit: number): Promise<StoredFile[]> {
  const { rows } = await sql<StoredFile>`select distinct f.sha256, f.media_type as "mediaType", f.size::integer as size
    from assets a join files f on f.sha256 = a.sha256 left join image_facts i on i.sha256 = f.sha256
    where a.collection_id = ${collectionId} and f.media_type like 'image/%' and i.sha256 is null order by 1 limit ${limit}`.execute(db);
  return rows;
}

/** Images that look like no earlier one, with how they look. */
export async function firstLooks(db: Database | Write): Promise<{ sha256: string; look: string; ratio: number }[]> {
  const { rows } = await sql<{ sha256: string; look: string; ratio: number }>`select sha256, look::text as look,
    width::double precision / height as ratio from image_facts where alike = sha256 order by sha256`.execute(db);
  return rows;
}

/** Prints of images by their hash. */
export async function printsOf(db: Database | Write, hashes: readonly string[]): Promise<Map<string, Uint8Array>> {
  if (hashes.length === 0) return new Map();
  const rows = await db
    .selectFrom('image_facts')
    .select(['sha256', 'print'])
    .where('sha256', 'in', [...hashes])
    .execute();
  return new Map(rows.flatMap(({ sha256, print }) => (print ? [[sha256, print] as const] : [])));
}

export interface NewImageFacts {
  sha256: string;
  width: number | null;
  height: number | null;
  look: string | null;
  alike: string | null;
  print: Uint8Array | null;
  thumbnail: Uint8Array | null;
}

/** Keeps what was seen in images, each once. */
export async function writeImageFacts(db: Database | Write, facts: readonly NewImageFacts[]): Promise<void> {
  const written = (bytes: Uint8Array | null) => bytes && Buffer.from(bytes).toString('base64');
  const rows = facts.map(({ thumbnail, print, ...one }) => ({ ...one, thumbnail: written(thumbnail), print: written(print) }));
  await sql`insert into image_facts (sha256, width, height, look, alike, print, thumbnail)
    select sha256, width, height, look::bit(64), alike, decode(print, 'base64'), decode(thumbnail, 'base64')
    from ${rowsFrom(rows, 'sha256 text, width integer, height integer, look text, alike text, print text, thumbnail text')} on conflict do nothing`.execute(
    db,
  );
}

export async function thumbnailOf(db: Database | Write, sha256: string): Promise<Buffer | null> {
  const row = await db.selectFrom('image_facts').select('thumbnail').where('sha256', '=', sha256).executeTakeFirst();
  return row?.thumbnail ?? null;
}

/** Whether a collection holds a file of these bytes: who may see the one may see the other. */
export async function collectionsHolding(db: Database | Write, sha256: string): Promise<number[]> {
  const rows = await db.selectFrom('assets').select('collection_id').distinct().where('sha256', '=', sha256).execute();
  return rows.map((row) => row.collection_id);
}

/** Style sheets of a collection that were not read as they are now, up to a size. */
export async function sheetsToRead(
  db: Database | Write,
  collectionId: number,
  most: number,
  limit: number,
): Promise<{ path: string; sha256: string }[]> {
  const { rows } = await sql<{ path: string; sha256: string }>`select a.path, a.sha256 from assets a join files f on f.sha256 = a.sha256
    left join sheets_read s on s.collection_id = a.collection_id and s.path = a.path
    where a.collection_id = ${collectionId} and f.media_type = 'text/css' and f.size <= ${most} and s.sha256 is distinct from a.sha256
    order by 1 limit ${limit}`.execute(db);
  return rows;
}

/** Keeps what images style sheets set, in place of what they did. */
export async function writeSheetImages(
  trx: Write,
  collectionId: number,
  sheets: readonly { path: string; sha256: string }[],
  images: readonly { sheet: string; selector: string; name: string; borrowed: boolean }[],
): Promise<void> {
  const read = rowsFrom(sheets, 'path text, sha256 text');
  await sql`delete from sheet_images i using ${read} where i.collection_id = ${collectionId} and i.sheet = rows.path`.execute(trx);
  await sql`insert into sheets_read (collection_id, path, sha256) select ${collectionId}::integer, path, sha256 from ${read}
    on conflict (collection_id, path) do update set sha256 = excluded.sha256`.execute(trx);
  await sql`insert into sheet_images (collection_id, sheet, selector, name, borrowed)
    select ${collectionId}::integer, sheet, selector, name, borrowed
    from ${rowsFrom(images, 'sheet text, selector text, name text, borrowed boolean')}`.execute(trx);
  await sql`delete from sheets_read s where collection_id = ${collectionId} and not exists (select 1 from assets a
    where a.collection_id = s.collection_id and a.path = s.path)`.execute(trx);
}

/** Where style sheets of a collection set an image. */
export function sheetUsesOf(db: Database | Write, collectionId: number, name: string): Promise<{ sheet: string; selector: string }[]> {
  return db
    .selectFrom('sheet_images')
    .select(['sheet', 'selector'])
    .where('collection_id', '=', collectionId)
    .where('name', '=', name)
    .orderBy('sheet')
    .limit(50)
    .execute();
}

/** Collections with images nobody has looked at, or style sheets nobody has read. */
export async function collectionsToLookAt(db: Database | Write): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select distinct a.collection_id as id from assets a join files f on f.sha256 = a.sha256
      left join image_facts i on i.sha256 = a.sha256 where f.media_type like 'image/%' and i.sha256 is null
    union select distinct a.collection_id from assets a join files f on f.sha256 = a.sha256
      left join sheets_read s on s.collection_id = a.collection_id and s.path = a.path
      where f.media_type = 'text/css' and f.size <= 2000000 and s.sha256 is distinct from a.sha256`.execute(db);
  return rows.map(({ id }) => id);
}
