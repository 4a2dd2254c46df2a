import { sql, type Selectable } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { Collections } from '../schema.ts';

export type Collection = Selectable<Collections>;

/** A collection by its address; one that was taken out is not there. */
export function collectionBySlug(db: Database | Write, slug: string): Promise<Collection | undefined> {
  return db.selectFrom('collections').selectAll().where('slug', '=', slug).where('taken_out_at', 'is', null).executeTakeFirst();
}

/** Reads a collection, taken out or not, and keeps other writers of it waiting until the transaction ends. */
export function lockCollection(trx: Write, slug: string): Promise<Collection | undefined> {
  return trx.selectFrom('collections').selectAll().where('slug', '=', slug).forUpdate().executeTakeFirst();
}

/** Changes what a collection is called and where it stands. */
export async function changeCollection(
  trx: Write,
  id: number,
  change: Partial<Pick<Collection, 'title' | 'put_away_at' | 'taken_out_at' | 'taken_out_by'>>,
): Promise<void> {
  await trx.updateTable('collections').set(change).where('id', '=', id).execute();
}

/** Collections that were taken out, the latest first. `only`: those somebody may see, by id. */
export async function takenOut(db: Database | Write, only: readonly number[] | null): Promise<(Collection & { by: string })[]> {
  const all = db
    .selectFrom('collections')
    .innerJoin('people', 'people.id', 'collections.taken_out_by')
    .selectAll('collections')
    .select('people.name as by')
    .where('taken_out_at', 'is not', null);
  return (only === null ? all : all.where('collections.id', 'in', [...only, 0])).orderBy('taken_out_at', 'desc').limit(100).execute();
}

/** Takes those out for good that were taken out before a moment, each with all that hangs on it. Gives how many. */
export async function clearTakenOut(trx: Write, before: Date): Promise<number> {
  const result = await trx.deleteFrom('collections').where('taken_out_at', '<', before).executeTakeFirst();
  return Number(result.numDeletedRows);
}

/** What hangs on a collection, in numbers: what is lost when it goes. */
export interface Hanging {
  pages: number;
  revisions: number;
  rulings: number;
  exceptions: number;
  signedOff: number;
}

export async function hangingOn(db: Database | Write, id: number): Promise<Hanging> {
  const { rows } = await sql<Hanging>`with own as materialized (select id from pages where collection_id = ${id}),
      told as materialized (select f.id from findings f join own on own.id = f.page_id)
    select (select count(*) from own)::integer as pages,
      (select count(*) from revisions r join own on own.id = r.page_id)::integer as revisions,
      (select count(*) from rulings r join told on told.id = r.finding_id where r.taken_back_at is null)::integer as rulings,
      (select count(*) from exceptions e join told on told.id = e.finding_id where e.ended_at is null)::integer as exceptions,
      (select count(*) from sign_offs s join own on own.id = s.page_id where s.lapsed_at is null)::integer as "signedOff"`.execute(db);
  return rows[0]!;
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

/** Collections that are on the shelf, by title. `only`: ids of those somebody may see; null for all. */
export function collectionsSeen(
  db: Database | Write,
  only: readonly number[] | null,
): Promise<Pick<Collection, 'id' | 'slug' | 'title' | 'kind'>[]> {
  return db
    .selectFrom('collections')
    .select(['id', 'slug', 'title', 'kind'])
    .where('arrived_at', 'is not', null)
    .where('taken_out_at', 'is', null)
    .$if(only !== null, (all) => all.where('id', 'in', [...only!, 0]))
    .orderBy(sql`title collate "und-x-icu"`)
    .orderBy('id')
    .execute();
}
