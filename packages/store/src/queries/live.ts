import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { SYSTEM } from './people.ts';

/** Says that somebody is on a page, for so many seconds, and tells it where it is news. 0: they have left. */
export async function sayHere(
  db: Database | Write,
  of: { page: number; collection: number; person: string },
  seconds: number,
): Promise<void> {
  const { rows } = await sql<{ news: boolean }>`with before as (select until > now() as there from here
      where page_id = ${of.page} and person_id = ${of.person}),
    gone as (delete from here where page_id = ${of.page} and person_id = ${of.person} and ${seconds}::integer = 0),
    put as (insert into here (page_id, person_id, until)
      select ${of.page}::integer, id, now() + make_interval(secs => ${seconds}::double precision) from people
      where id = ${of.person} and ${seconds}::integer > 0
      on conflict (page_id, person_id) do update set until = excluded.until)
    select coalesce((select there from before), false) <> (${seconds}::integer > 0) as news`.execute(db);
  if (rows[0]?.news)
    await sql`select pg_notify('inkwell', json_build_object('what', 'here', 'collection', ${of.collection}::integer,
      'pages', json_build_array(${of.page}::integer))::text)`.execute(db);
}

export interface PageNow {
  version: number;
  own: boolean;
  others: string[];
}

/** A page's version, whether it is oneself who last changed it, and who else is on it. */
export async function pageNow(db: Database | Write, of: { page: number; person: string }): Promise<PageNow | undefined> {
  const { rows } = await sql<PageNow>`select version, coalesce((select c.made_by from standing_changes c where c.page_id = pages.id
        and c.version = pages.version and c.made_by <> ${SYSTEM} limit 1), (select r.made_by from revisions r where r.page_id = pages.id
        and r.number = pages.head and pages.head_version = pages.version)) is not distinct from ${of.person} as own,
      coalesce((select json_agg(m.name order by m.name)
      from here h join people m on m.id = h.person_id
      where h.page_id = pages.id and h.person_id <> ${of.person} and h.until > now()), '[]') as others
    from pages where id = ${of.page}`.execute(db);
  return rows[0];
}

/** A message to somebody, as they read it here. */
export interface Notice {
  id: number;
  subject: string;
  body: string;
  at: Date;
  isNew: boolean;
}

/** Messages to somebody, the newest first, behind one. */
export async function noticesFor(db: Database | Write, person: string, before: number | null, limit: number): Promise<Notice[]> {
  const { rows } = await sql<Notice>`select id, subject, body, made_at as at, read_at is null as "isNew" from messages
    where person_id = ${person} and (${before}::integer is null or id < ${before}) order by id desc limit ${limit}`.execute(db);
  return rows;
}

export async function unreadNotices(db: Database | Write, person: string): Promise<number> {
  const { rows } = await sql<{ many: number }>`select count(*)::integer as many from messages
    where person_id = ${person} and read_at is null`.execute(db);
  return rows[0]!.many;
}

/** Notes that somebody has read their messages up to one. */
export async function readNotices(db: Database | Write, person: string, upTo: number): Promise<void> {
  await sql`update messages set read_at = now() where person_id = ${person} and read_at is null and id <= ${upTo}`.execute(db);
}
