import { sql, type Kysely } from 'kysely';

/** What came back, by when. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create index standing_changes_returned on standing_changes (made_at) where standing = 'returned'`.execute(db);
}
