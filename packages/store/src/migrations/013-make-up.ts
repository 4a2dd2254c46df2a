import { sql, type Kysely } from 'kysely';

/** How a page is made up, as its newest audit saw it: what pages of one sort are compared by. Null until it is audited again. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table pages add column make_up jsonb`).execute(db);
}
