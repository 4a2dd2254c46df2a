import { sql, type Kysely } from 'kysely';

/**
 * What one key guarantees is not looked up by a second one for each row: an occurrence and a change of standing hang on their finding, a
 * reference on its page, and those on their collection; an audit goes only with its page. These look-ups were a third of what writing
 * findings took.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `alter table occurrences drop constraint new_occurrences_from_audit_fkey, drop constraint new_occurrences_to_audit_fkey;
      drop index occurrences_by_first;
      drop index occurrences_by_last;
      alter table standing_changes drop constraint standing_changes_page_id_fkey;
      alter table page_references drop constraint page_references_collection_id_fkey`,
    )
    .execute(db);
}
