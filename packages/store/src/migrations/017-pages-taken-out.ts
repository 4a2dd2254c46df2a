import { sql, type Kysely } from 'kysely';

/** Who took a page out by hand; null for one that a newer version no longer holds. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table pages add column gone_by text references people (id)`).execute(db);
  await sql.raw(`create index pages_by_who_took_them_out on pages (gone_by) where gone_by is not null`).execute(db);
}
