import { sql, type Kysely } from 'kysely';

/** Who took a page out by hand; null for one that a newer version no longer holds. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table pages add column gone_by text references people (id)`).execute(db);
}
