import { sql } from 'kysely';
import { traitsOf } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { OutsideAddresses } from '../schema.ts';
import { registerNumber } from './uses.ts';

/** An address outside as it was last looked at. */
export type OutsideAddress = Pick<OutsideAddresses, 'id' | 'address' | 'looked_at' | 'seen_at' | 'state' | 'words' | 'moved_to'>;

const LINKS = sql`${registerNumber('links')}::smallint`;
const OUTSIDE = sql`${traitsOf('links', ['outside'])}::integer`;
const WEB = '^https?://[^/?#]';

/** Has the addresses that links of some collections lead to looked at, but those looked at since then. Gives how many wait now. */
export async function askToLookOutside(db: Database | Write, collections: readonly number[], since: Date): Promise<number> {
  const { rows } = await sql<{ many: number }>`with led as (
      select distinct split_part(t.place, '#', 1) as address from things t
      where t.collection_id = any(${collections}::integer[]) and t.register = ${LINKS} and t.place ~* ${WEB} and t.place not like '%…'
        and exists (select 1 from uses u where u.thing_id = t.id and u.traits & ${OUTSIDE} <> 0)),
    asked as (insert into outside_addresses as o (id, address, host, due_at)
      select md5(address)::uuid, address, lower(substring(address from '^[^:]+://([^/?#]+)')), now() from led
      on conflict (id) do update set due_at = coalesce(o.due_at, now()) where o.looked_at is null or o.looked_at < ${since}
      returning 1)
    select count(*)::integer as many from asked`.execute(db);
  return rows[0]!.many;
}

/** Has addresses looked at again that were last looked at before then; those that no link leads to any more are forgotten. */
export async function dueAgainOutside(db: Database | Write, before: Date): Promise<number> {
  const { numAffectedRows } = await sql`update outside_addresses o set due_at = now() where due_at is null and looked_at < ${before}
    and exists (select 1 from things t join uses u on u.thing_id = t.id
      where t.register = ${LINKS} and md5(split_part(t.place, '#', 1))::uuid = o.id)`.execute(db);
  await sql`delete from outside_addresses where due_at is null and looked_at < ${before}`.execute(db);
  return Number(numAffectedRows ?? 0);
}

/** How many addresses wait to be looked at. */
export async function waitingOutside(db: Database | Write): Promise<number> {
  const { rows } = await sql<{ many: number }>`select count(*)::integer as many from outside_addresses where due_at is not null`.execute(
    db,
  );
  return rows[0]!.many;
}

/**
 * Takes some addresses that are due to look at, a few of each host and of few hosts, for so many seconds: no other worker visits those
 * hosts meanwhile.
 */
export async function takeOutside(
  db: Database,
  { hosts, each, seconds }: { hosts: number; each: number; seconds: number },
): Promise<{ id: string; address: string; host: string }[]> {
  return db.transaction().execute(async (trx) => {
    // One worker chooses at a time, so that two never choose the same host.
    await sql`select pg_advisory_xact_lock(hashtext('outside addresses'))`.execute(trx);
    const { rows } = await sql<{ id: string; address: string; host: string }>`with free as (
        select host from outside_addresses o where due_at <= now() and not exists (select 1 from outside_addresses c
          where c.host = o.host and c.claimed_until > now())
        group by host order by min(due_at) limit ${hosts}),
      taken as (select o.id from free cross join lateral (select id from outside_addresses
        where host = free.host and due_at <= now() order by due_at, id limit ${each}) o)
      update outside_addresses o set claimed_until = now() + make_interval(secs => ${seconds}::double precision) from taken
      where o.id = taken.id returning o.id, o.address, o.host`.execute(trx);
    return rows;
  });
}

/**
 * What came of an address; `state` null: it was not looked at, and stays what it was. `again`: when it is looked at once more, null for
 * when its time comes.
 */
export interface LookedOutside extends Pick<OutsideAddresses, 'id' | 'state' | 'words' | 'moved_to'> {
  again: Date | null;
}

/** Writes down what came of looking at addresses, whose hosts are free again. */
export async function writeOutside(db: Database | Write, looked: readonly LookedOutside[], at: Date): Promise<void> {
  await sql`update outside_addresses o set state = coalesce(l.state, o.state), words = case when l.state is null then o.words else l.words end,
      moved_to = case when l.state is null then o.moved_to else l.moved_to end,
      looked_at = case when l.state is null then o.looked_at else ${at} end,
      seen_at = case when l.state in ('seen', 'moved') then ${at} else o.seen_at end, due_at = l.again, claimed_until = null
    from jsonb_to_recordset(${JSON.stringify(looked)}::jsonb) as l(id uuid, state text, words text, moved_to text, again timestamptz)
    where o.id = l.id`.execute(db);
}

/** What is known of the addresses that links lead to; those nobody looked at are missing. */
export async function outsideOf(db: Database | Write, places: readonly string[]): Promise<Map<string, OutsideAddress>> {
  if (places.length === 0) return new Map();
  const { rows } = await sql<OutsideAddress & { place: string }>`select p.place, o.id, o.address, o.looked_at, o.seen_at, o.state, o.words,
      o.moved_to
    from unnest(${places}::text[]) p(place) join outside_addresses o on o.id = md5(split_part(p.place, '#', 1))::uuid
    where o.looked_at is not null`.execute(db);
  return new Map(rows.map(({ place, ...row }) => [place, row]));
}
