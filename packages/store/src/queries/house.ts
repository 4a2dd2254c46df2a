import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

export interface HouseRow {
  name: string;
  timeZone: string;
  hourlyRate: number | null;
  currency: string | null;
  elsewhereHolds: boolean;
  /** The profile that pages are held to where nothing else is said. */
  profileId: number;
}

/** What belongs to nobody else. */
export async function house(db: Database | Write): Promise<HouseRow> {
  const row = await db
    .selectFrom('house')
    .select(['name', 'time_zone', 'hourly_rate', 'currency', 'elsewhere_holds', 'profile_id'])
    .executeTakeFirstOrThrow();
  return {
    name: row.name,
    timeZone: row.time_zone,
    hourlyRate: row.hourly_rate === null ? null : Number(row.hourly_rate),
    currency: row.currency,
    elsewhereHolds: row.elsewhere_holds,
    profileId: row.profile_id,
  };
}

/** Gives the house its name. */
export async function nameHouse(db: Database | Write, name: string): Promise<void> {
  await db.updateTable('house').set({ name }).execute();
}

/** Says whether what only the theme or the host can fix holds pages. */
export async function letElsewhereHold(trx: Write, holds: boolean): Promise<void> {
  await trx.updateTable('house').set({ elsewhere_holds: holds }).execute();
}

/** Waits for whoever changes a profile, or makes them wait: a kind of finding must not come in between a profile and its weights. */
export async function lockProfiles(trx: Write, way: 'to change' | 'to use'): Promise<void> {
  await (way === 'to change' ? sql`select pg_advisory_xact_lock(4310002)` : sql`select pg_advisory_xact_lock_shared(4310002)`).execute(trx);
}

/** Whether anything has been brought in. */
export async function isFurnished(db: Database): Promise<boolean> {
  return (await db.selectFrom('collections').select('id').limit(1).executeTakeFirst()) !== undefined;
}

/** Takes everything out but the system, the house and its profiles. */
export async function emptyHouse(db: Database): Promise<void> {
  await db.transaction().execute(async (trx) => {
    await sql`delete from jobs`.execute(trx);
    await sql`delete from collections`.execute(trx);
    await sql`delete from packages`.execute(trx);
    await sql`delete from files`.execute(trx);
    await sql`delete from texts`.execute(trx);
    await sql`delete from profile_uses`.execute(trx);
    for (const table of ['answers', 'deeds', 'messages', 'links', 'logins', 'wrong_passwords', 'outside_addresses', 'webhooks', 'hosts'])
      await sql`delete from ${sql.table(table)}`.execute(trx);
    await sql`delete from people where kind = 'person' and not exists (select 1 from profile_versions v
      where v.made_by = people.id)`.execute(trx);
  });
}
