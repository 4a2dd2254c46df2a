import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Collections } from '../schema.ts';

export type Collection = Selectable<Collections>;

export function collectionBySlug(db: Database | Write, slug: string): Promise<Collection | undefined> {
  return db.selectFrom('collections').selectAll().where('slug', '=', slug).executeTakeFirst();
}

export async function addCollection(trx: Write | Database, made: Pick<Collection, 'slug' | 'title' | 'kind' | 'scope'>): Promise<number> {
  return (await trx.insertInto('collections').values(made).returning('id').executeTakeFirstOrThrow()).id;
}

/** Takes a collection out with all that hangs on it. Texts and files that nothing else names stay: they are kept by hash. */
export async function dropCollection(trx: Write | Database, id: number): Promise<void> {
  await sql`delete from collections where id = ${id}`.execute(trx);
}
