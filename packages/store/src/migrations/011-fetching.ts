import { sql, type Kysely } from 'kysely';

/** Collections that are fetched from their host: what was asked for, and how far it is. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table packages add column wanted jsonb, add column fetched jsonb`).execute(db);
}
