import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

export interface ImageToChoose {
  path: string;
  size: number;
  /** What some page says of it; null where none does. */
  alternative: string | null;
}

/** Words as they stand anywhere in a text, whatever their case. */
export const anywhere = (words: string) => `%${words.replace(/[\\%_]/g, '\\$&')}%`;

/** Images that lie in a collection, the same bytes once, by path from `after` on, whose path or description has the words. */
export async function imagesToChoose(
  db: Database | Write,
  collectionId: number,
  { words, after, limit }: { words: string; after: string; limit: number },
): Promise<ImageToChoose[]> {
  const { rows } = await sql<ImageToChoose>`with images as (
      select distinct on (a.sha256) a.path, f.size, a.sha256 from assets a join files f on f.sha256 = a.sha256
      where a.collection_id = ${collectionId} and f.media_type like 'image/%' order by a.sha256, a.path),
    described as (select i.path, i.size, (select min(r.alternative) from assets b join page_references r
        on r.collection_id = ${collectionId} and r.kind = 'image' and md5(r.target) = md5(b.path) and r.target = b.path
        where b.collection_id = ${collectionId} and b.sha256 = i.sha256 and r.alternative <> '') as alternative
      from images i where i.path > ${after})
    select * from described where path ilike ${anywhere(words)} or alternative ilike ${anywhere(words)}
    order by path limit ${limit}`.execute(db);
  return rows;
}

export interface PageToChoose {
  slug: string;
  title: string;
  address: string;
}

/** Pages of a collection in its order, `skip` of them left out, whose title or address has the words. */
export async function pagesToChoose(
  db: Database | Write,
  collectionId: number,
  { words, skip, limit }: { words: string; skip: number; limit: number },
): Promise<PageToChoose[]> {
  return db
    .selectFrom('pages')
    .select(['slug', 'title', 'address'])
    .where('collection_id', '=', collectionId)
    .where('gone_at', 'is', null)
    .where((eb) => eb.or([eb('title', 'ilike', anywhere(words)), eb('address', 'ilike', anywhere(words))]))
    .orderBy('position')
    .orderBy('id')
    .offset(skip)
    .limit(limit)
    .execute();
}

/** Where an image with these very bytes lies in a collection already; null where none does. */
export async function imageWithHash(db: Database | Write, collectionId: number, sha256: string): Promise<string | null> {
  const row = await db
    .selectFrom('assets')
    .select('path')
    .where('collection_id', '=', collectionId)
    .where('sha256', '=', sha256)
    .orderBy('path')
    .executeTakeFirst();
  return row?.path ?? null;
}

/** The folder of a collection in which most of its images lie, with its slash; null where it has none. */
export async function folderOfImages(db: Database | Write, collectionId: number): Promise<string | null> {
  const { rows } = await sql<{ folder: string }>`select regexp_replace(a.path, '[^/]*$', '') as folder
    from assets a join files f on f.sha256 = a.sha256
    where a.collection_id = ${collectionId} and f.media_type like 'image/%' group by 1 order by count(*) desc, 1 limit 1`.execute(db);
  return rows[0]?.folder ?? null;
}

/** Paths of a collection that begin so. */
export async function pathsLike(db: Database | Write, collectionId: number, start: string): Promise<Set<string>> {
  const rows = await db
    .selectFrom('assets')
    .select('path')
    .where('collection_id', '=', collectionId)
    .where(sql<boolean>`starts_with(path, ${start})`)
    .execute();
  return new Set(rows.map(({ path }) => path));
}

/** Every path at which a file lies in some collections. */
export function pathsIn(db: Database | Write, collections: readonly number[]): Promise<{ collection_id: number; path: string }[]> {
  return db
    .selectFrom('assets')
    .select(['collection_id', 'path'])
    .where((eb) => sql<boolean>`${eb.ref('collection_id')} = any(${collections}::integer[])`)
    .execute();
}
