import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { forgetEvents } from './events.ts';

/** For how many days each thing is kept that is about people; 0: for good. */
export interface KeptDays {
  messages: number;
  deeds: number;
  times: number;
}

/** How long things are kept where the house says nothing else. */
export const USUALLY_KEPT: KeptDays = { messages: 365, deeds: 1_825, times: 730 };

export async function keptDays(db: Database | Write): Promise<KeptDays> {
  const { kept_days } = await db.selectFrom('house').select('kept_days').executeTakeFirstOrThrow();
  return { ...USUALLY_KEPT, ...kept_days };
}

export async function keepFor(trx: Write, days: KeptDays): Promise<void> {
  await trx
    .updateTable('house')
    .set({ kept_days: JSON.stringify(days) })
    .execute();
}

/** What is forgotten, by what it is. */
export type Forgotten = Record<keyof KeptDays | 'sessions', number>;

/** Rows forgotten at one time: what has piled up for years must not hold others up. */
const AT_ONCE = 20_000;
/** Sessions and links that are over, and words for signing in that nobody used, go after a month. */
const OVER_DAYS = 30;

/** Forgets what was kept for long enough, at most so much at one time. */
export async function forgetOld(trx: Write): Promise<Forgotten> {
  const days = await keptDays(trx);
  const old = async (table: 'messages' | 'deeds' | 'time_log' | 'sessions' | 'links' | 'verifications', at: string, after: number) => {
    if (after === 0) return 0;
    const { numAffectedRows } = await sql`delete from ${sql.table(table)} where ctid = any(array(select ctid from ${sql.table(table)}
      where ${sql.ref(at)} < now() - make_interval(days => ${after}::integer) limit ${AT_ONCE}))`.execute(trx);
    return Number(numAffectedRows ?? 0);
  };
  await old('links', 'until', OVER_DAYS);
  await old('verifications', 'expires_at', 1);
  await forgetEvents(trx);
  // Readers gave their addresses for an answer; they had it.
  if (days.messages > 0)
    await sql`update barriers set reply_to = null where reply_to is not null
      and answered_at < now() - make_interval(days => ${days.messages}::integer)`.execute(trx);
  return {
    messages: await old('messages', 'made_at', days.messages),
    deeds: await old('deeds', 'at', days.deeds),
    times: await old('time_log', 'at', days.times),
    sessions: await old('sessions', 'expires_at', OVER_DAYS),
  };
}

/** What the house holds of one person, by where it stands; each part the newest first, and at most `most` of it. */
export async function personRecord(db: Database | Write, person: string, most: number): Promise<Record<string, unknown>> {
  const parts = Object.entries(PARTS).map(
    ([name, query]) => sql`(select coalesce(jsonb_agg(to_jsonb(t)), '[]') from (${query(person)} limit ${most}) t) as ${sql.ref(name)}`,
  );
  const { rows } = await sql<Record<string, unknown>>`select ${sql.join(parts)}`.execute(db);
  return rows[0]!;
}

/** Each part of what is held of a person. */
const PARTS: Readonly<Record<string, (person: string) => ReturnType<typeof sql>>> = {
  person: (id) => sql`select id, name, email, department, disabled_on as "may do nothing from", keeps_time as "times are kept", keys
    from people where id = ${id}`,
  parts: (id) => sql`select m.role, c.title as collection from memberships m left join collections c on c.id = m.collection_id
    where m.person_id = ${id} order by m.id`,
  sessions: (id) => sql`select created_at as since, expires_at as until, ip_address as "from", user_agent as browser from sessions
    where login_id = ${id} order by created_at desc`,
  tokens: (id) => sql`select name, reach, made_at as at, until, revoked_at as revoked, used_at as used from tokens
    where person_id = ${id} order by id desc`,
  messages: (id) => sql`select made_at as at, address, subject, body, sent_at as sent, read_at as read from messages
    where person_id = ${id} order by messages.id desc`,
  'did to people and the house': (id) => sql`select at, deed, person_id as person, about from deeds where made_by = ${id} order by id desc`,
  'was done to them': (id) => sql`select at, deed, made_by as "by", about from deeds where person_id = ${id} order by id desc`,
  'handed to them': (id) => sql`select h.made_at as at, h.made_by as "by", c.title as collection, h.due, h.words from hands h
    join collections c on c.id = h.collection_id where h.given_to = ${id} order by h.id desc`,
  'handed out by them': (id) => sql`select h.made_at as at, h.given_to as "to", c.title as collection, h.due, h.words from hands h
    join collections c on c.id = h.collection_id where h.made_by = ${id} order by h.id desc`,
  remarks: (id) => sql`select r.made_at as at, p.title as page, r.words from remarks r join pages p on p.id = r.page_id
    where r.made_by = ${id} order by r.id desc`,
  'working times': (id) => sql`select t.at, p.title as page, t.what, t.seconds from time_log t join pages p on p.id = t.page_id
    where t.person_id = ${id} order by t.id desc`,
  'revisions made': (id) => sql`select r.made_at as at, p.title as page, r.number from revisions r join pages p on p.id = r.page_id
    where r.made_by = ${id} order by r.made_at desc`,
  'rulings made': (id) => sql`select r.made_at as at, p.title as page, r.answer, r.taken_back_at as "taken back" from rulings r
    join findings f on f.id = r.finding_id join pages p on p.id = f.page_id where r.made_by = ${id} order by r.id desc`,
  'answers given': (id) => sql`select a.made_at as at, a.answer, a.reason from answers a where a.made_by = ${id} order by a.id desc`,
  'let stand': (id) => sql`select e.made_at as at, p.title as page, e.reason, e.until from exceptions e
    join findings f on f.id = e.finding_id join pages p on p.id = f.page_id where e.made_by = ${id} order by e.id desc`,
  signed: (id) => sql`select g.signed_at as at, p.title as page, g.revision from signatures g join pages p on p.id = g.page_id
    where g.signed_by = ${id} order by 1 desc`,
  'looked at': (id) => sql`select l.looked_at as at, p.title as page, l.revision, l.item from looks l join pages p on p.id = l.page_id
    where l.looked_by = ${id} order by 1 desc`,
  'asked to publish': (id) => sql`select w.asked_at as at, p.title as page, w.revision, w.act from publications w
    join pages p on p.id = w.page_id where w.asked_by = ${id} order by 1 desc`,
  'judged criteria': (
    id,
  ) => sql`select j.judged_at as at, c.title as collection, j.criterion, j.outcome, j.words from criterion_judgements j
    join collections c on c.id = j.collection_id where j.judged_by = ${id} order by 1 desc`,
  'answered readers': (id) =>
    sql`select b.answered_at as at, b.words, b.answer from barriers b where b.answered_by = ${id} order by 1 desc`,
  'signed off': (id) => sql`select s.signed_at as at, p.title as page, s.revision from sign_offs s join pages p on p.id = s.page_id
    where s.signed_by = ${id} order by s.id desc`,
};
