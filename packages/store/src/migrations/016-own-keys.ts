import { sql, type Kysely } from 'kysely';

/** The keys of the Desk as each person wants them. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table people add column keys jsonb not null default '{"on": true, "assigned": {}}'`).execute(db);
}
