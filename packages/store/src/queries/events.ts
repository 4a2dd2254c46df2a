import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

/** Something that happened, as programs are told of it. */
export interface EventLine {
  id: string;
  type: string;
  at: string;
  by: { id: string; name: string } | null;
  collection: string;
  page: { id: number; address: string } | null;
  finding: { id: number } | null;
  data: Record<string, unknown>;
}

/** A reader's place among events: behind this one, in the order of transactions. */
export interface EventPlace {
  tx: string;
  id: string;
}

/** Days that events are kept. */
const KEPT_DAYS = 30;

/** Transactions that may still write: nothing is told that one of them could come before. */
const SETTLED = sql`e.tx < pg_snapshot_xmin(pg_current_snapshot())`;

const LINE = sql`e.id::text, e.type, to_char(e.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at,
  case when u.id is not null then jsonb_build_object('id', u.id, 'name', u.name) end as by, c.slug as collection,
  case when p.id is not null then jsonb_build_object('id', p.id, 'address', p.address) end as page,
  case when e.finding_id is not null then jsonb_build_object('id', e.finding_id) end as finding, e.data`;
const JOINED = sql`events e join collections c on c.id = e.collection_id left join pages p on p.id = e.page_id
  left join people u on u.id = e.made_by`;

/** Events behind a place, the oldest first, of some collections (null: all); each with its own place. */
export async function eventsAfter(
  db: Database | Write,
  after: EventPlace | null,
  collections: readonly number[] | null,
  limit: number,
): Promise<(EventLine & { place: EventPlace })[]> {
  const from = after ? sql`(e.tx, e.id) > (${after.tx}::xid8, ${after.id}::bigint)` : sql`true`;
  const seen = collections === null ? sql`true` : sql`e.collection_id = any(${collections}::integer[])`;
  const { rows } = await sql<
    EventLine & { place: EventPlace }
  >`select ${LINE}, jsonb_build_object('tx', e.tx::text, 'id', e.id::text) as place
    from ${JOINED} where ${from} and ${seen} and ${SETTLED} and e.at > now() - make_interval(days => ${KEPT_DAYS}::integer)
    order by e.tx, e.id limit ${limit}`.execute(db);
  return rows;
}

/** Where a reader stands who wants only what happens from now on. */
export async function eventsEnd(db: Database | Write): Promise<EventPlace> {
  const { rows } = await sql<EventPlace>`select (pg_snapshot_xmin(pg_current_snapshot()))::text as tx, '0' as id`.execute(db);
  return rows[0]!;
}

/** Forgets events that are old enough, some at a time. */
export async function forgetEvents(trx: Write): Promise<void> {
  await sql`delete from events where ctid = any(array(select ctid from events
    where at < now() - make_interval(days => ${KEPT_DAYS + 1}::integer) limit 20000))`.execute(trx);
}

export interface HookLine {
  id: number;
  url: string;
  events: string[];
  by: string;
  madeAt: string;
  waiting: number;
  received: number;
  givenUp: number;
}

export async function hooks(db: Database | Write): Promise<HookLine[]> {
  const { rows } = await sql<HookLine>`select w.id, w.url, w.events, u.name as by,
      to_char(w.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "madeAt",
      (count(d.id) filter (where d.state = 'waiting'))::integer as waiting,
      (count(d.id) filter (where d.state = 'received'))::integer as received,
      (count(d.id) filter (where d.state = 'given up'))::integer as "givenUp"
    from webhooks w join people u on u.id = w.made_by left join deliveries d on d.webhook_id = w.id where w.gone_at is null
    group by w.id, u.name order by w.id limit 200`.execute(db);
  return rows;
}

export async function addHook(trx: Write, hook: { url: string; events: readonly string[]; secret: string; by: string }): Promise<number> {
  const { tx, id: last } = await eventsEnd(trx);
  const row = await trx
    .insertInto('webhooks')
    .values({ url: hook.url, events: [...hook.events], secret: hook.secret, made_by: hook.by, after_tx: tx, after_id: last })
    .returning('id')
    .executeTakeFirstOrThrow();
  return row.id;
}

export async function endHook(trx: Write, id: number): Promise<boolean> {
  await sql`update deliveries set state = 'given up' where webhook_id = ${id} and state = 'waiting'`.execute(trx);
  const done = await trx
    .updateTable('webhooks')
    .set({ gone_at: new Date() })
    .where('id', '=', id)
    .where('gone_at', 'is', null)
    .executeTakeFirst();
  return done.numUpdatedRows > 0n;
}

/** Puts down for delivery what happened since it was last looked, for every webhook that asks for it; in two statements. */
export async function fanOut(trx: Write): Promise<number> {
  const { rows } = await sql<{ id: number }>`select id from webhooks where gone_at is null order by id for update skip locked`.execute(trx);
  if (rows.length === 0) return 0;
  const ids = rows.map(({ id }) => id);
  const made = await sql`with fresh as materialized (
      select w.id as webhook, e.id, e.tx, e.type = any(w.events) as wanted from webhooks w join events e
        on (e.tx, e.id) > (w.after_tx, w.after_id) where w.id = any(${ids}::integer[]) and ${SETTLED}),
    moved as (update webhooks w set after_tx = f.tx, after_id = f.id from (
        select distinct on (webhook) webhook, tx, id from fresh order by webhook, tx desc, id desc) f where f.webhook = w.id returning w.id)
    insert into deliveries (webhook_id, event_id) select webhook, id from fresh where wanted order by tx, id on conflict do nothing`.execute(
    trx,
  );
  return Number(made.numAffectedRows ?? 0);
}

/** A message that is to go out now. */
export interface DeliveryDue {
  id: string;
  hook: number;
  url: string;
  secret: string;
  tries: number;
  event: EventLine;
}

/** Seconds a message rests before it is tried again: twice as long each time, at most four hours. */
const REST = sql`make_interval(secs => least(5 * power(2, least(d.tries, 12)), 14400))`;

/** Messages whose time has come; each rests until it is told how it went, so that no other worker sends it too. */
export async function deliveriesDue(db: Database, limit: number): Promise<DeliveryDue[]> {
  const { rows } = await sql<DeliveryDue>`with due as (
      update deliveries d set tries = tries + 1, try_at = now() + ${REST}, tried_at = now() where id in (
        select id from deliveries where state = 'waiting' and try_at <= now() order by try_at limit ${limit} for update skip locked)
      returning d.*)
    select d.id, d.webhook_id as hook, w.url, w.secret, d.tries,
      (select to_jsonb(x) from (select ${LINE} from ${JOINED} where e.id = d.event_id) x) as event
    from due d join webhooks w on w.id = d.webhook_id order by d.made_at, d.event_id`.execute(db);
  return rows;
}

/** Hours after which a message is tried no more. */
const HOURS = 24;

export async function deliveryWent(
  db: Database,
  id: string,
  went: { status: number | null; answer: string; received: boolean },
): Promise<void> {
  await sql`update deliveries set status = ${went.status}::integer, answer = ${went.answer}, state = case when ${went.received}::boolean
      then 'received' when made_at < now() - make_interval(hours => ${HOURS}::integer) then 'given up' else state end
    where id = ${id}::uuid`.execute(db);
}

export interface DeliveryLine {
  id: string;
  event: string;
  type: string;
  page: string | null;
  state: 'waiting' | 'received' | 'given up';
  tries: number;
  madeAt: string;
  triedAt: string | null;
  status: number | null;
  answer: string | null;
}

/** What was sent to a webhook, the newest first, behind one. */
export async function deliveriesOf(db: Database | Write, hook: number, before: string | null, limit: number): Promise<DeliveryLine[]> {
  const { rows } = await sql<DeliveryLine>`select d.id, d.event_id::text as event, e.type, p.title as page, d.state, d.tries,
      to_char(d.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "madeAt",
      to_char(d.tried_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "triedAt", d.status, d.answer
    from deliveries d join events e on e.id = d.event_id left join pages p on p.id = e.page_id
    where d.webhook_id = ${hook} and d.event_id < coalesce(${before}::bigint, 9223372036854775807)
    order by d.event_id desc limit ${limit}`.execute(db);
  return rows;
}

/** Has a message sent again, under its own id. */
export async function sendAgain(trx: Write, hook: number, id: string): Promise<boolean> {
  const { numAffectedRows } =
    await sql`update deliveries set state = 'waiting', try_at = now(), made_at = now(), tries = 0 where id = ${id}::uuid
    and webhook_id = (select id from webhooks where id = ${hook} and gone_at is null)`.execute(trx);
  return numAffectedRows === 1n;
}
