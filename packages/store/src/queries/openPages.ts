import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

/** Says for how long somebody has changes of a page that are not saved; 0: they have none any more. */
export async function keepPageOpen(db: Database | Write, of: { page: number; person: string }, seconds: number): Promise<void> {
  if (seconds === 0) {
    await db.deleteFrom('open_pages').where('page_id', '=', of.page).where('person_id', '=', of.person).execute();
    return;
  }
  await sql`insert into open_pages (page_id, person_id, until)
    select ${of.page}::integer, id, now() + make_interval(secs => ${seconds}::double precision) from people where id = ${of.person}
    on conflict (page_id, person_id) do update set until = excluded.until`.execute(db);
}

/** Who else has changes of a page that are not saved; null where nobody has. */
export async function whoHasOpen(db: Database | Write, of: { page: number; person: string }): Promise<string | null> {
  const row = await db
    .selectFrom('open_pages')
    .innerJoin('people', 'people.id', 'open_pages.person_id')
    .select('people.name')
    .where('page_id', '=', of.page)
    .where('person_id', '<>', of.person)
    .where(sql<boolean>`until > now()`)
    .executeTakeFirst();
  return row?.name ?? null;
}
