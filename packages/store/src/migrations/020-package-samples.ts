import { sql, type Kysely } from 'kysely';

/** What stood open on some pages of a package before it was taken on, by family: one entry for each page. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table packages add column sample jsonb not null default '[]'`.execute(db);
}
