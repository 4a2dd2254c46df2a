import { sql } from 'kysely';
import type { Database } from '../database.ts';
import { SECRET_PLACE } from './logins.ts';

/** Messages older than this are not sent any more, in days: a mail server that is set up later writes to nobody about last month. */
const STALE_DAYS = 2;
/** How often a message is tried, and how long it rests at most, in minutes: it rests twice as long each time. */
const MOST_TRIES = 10;
const LONGEST_REST = 360;

/** A message that is to go out now. */
export interface MessageDue {
  id: number;
  address: string;
  subject: string;
  body: string;
}

/** Messages whose time has come, the oldest first; each rests until it is told how it went, so that no other worker sends it too. */
export async function messagesDue(db: Database, limit: number): Promise<MessageDue[]> {
  const { rows } = await sql<MessageDue>`update messages m set tries = tries + 1,
      try_at = now() + make_interval(mins => least(power(2, tries + 1)::integer, ${LONGEST_REST}::integer))
    where id in (select id from messages where sent_at is null and try_at <= now() and tries < ${MOST_TRIES}
      and made_at > now() - make_interval(days => ${STALE_DAYS}::integer) order by id limit ${limit} for update skip locked)
    returning id, address, subject, replace(body, ${SECRET_PLACE}, coalesce(secret, ${SECRET_PLACE})) as body`.execute(db);
  return rows.sort((a, b) => a.id - b.id);
}

/** Writes down how messages went: null for those that were taken, else why not. */
export async function messagesWent(db: Database, went: readonly { id: number; trouble: string | null }[]): Promise<void> {
  await sql`update messages m set sent_at = case when w.trouble is null then now() end, trouble = w.trouble,
      secret = case when w.trouble is null then null else secret end
    from jsonb_to_recordset(${JSON.stringify(went)}::jsonb) as w (id integer, trouble text) where m.id = w.id`.execute(db);
}
