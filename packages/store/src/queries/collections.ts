import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Collections } from '../schema.ts';

export type Collection = Selectable<Collections>;

export function collectionBySlug(db: Database | Write, slug: string): Promise<Collection | undefined> {
  return db.selectFrom('collections').selectAll().where('slug', '=', slug).executeTakeFirst();
}

export async function addCollection(
  trx: Write | Database,
  made: Pick<Collection, 'slug' | 'title' | 'kind' | 'scope'> & { arrived_at?: null },
): Promise<number> {
  return (await trx.insertInto('collections').values(made).returning('id').executeTakeFirstOrThrow()).id;
}

/** Addresses of collections that are taken already, of those that begin alike. */
export async function collectionSlugsLike(db: Database | Write, base: string): Promise<Set<string>> {
  const rows = await db
    .selectFrom('collections')
    .select('slug')
    .where(sql<boolean>`starts_with(slug, ${base})`)
    .execute();
  return new Set(rows.map((row) => row.slug));
}

/** Takes a collection out with all that hangs on it. Texts and files that nothing else names stay: they are kept by hash. */
export async function dropCollection(trx: Write | Database, id: number): Promise<void> {
  await sql`delete from collections where id = ${id}`.execute(trx);
}
