import type { Family } from '@inkwell/core';
import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import type { KeySettings, Role } from '../schema.ts';

export interface Membership {
  /** Null: all collections. */
  collection: number | null;
  role: Role;
}

export interface Person {
  id: string;
  name: string;
  /** Where they are written to; null for whoever has none, or was removed. */
  email: string | null;
  kind: 'person' | 'system';
  department: string | null;
  /** Nobody who left may act. */
  disabled: boolean;
  keepsTime: boolean;
  keys: KeySettings;
  memberships: Membership[];
}

/** Who writes what no person does: expiry, audits in the background. */
export const SYSTEM = 'system';

function peopleRows(db: Database) {
  const memberships = sql<
    Membership[]
  >`coalesce((select jsonb_agg(jsonb_build_object('collection', collection_id, 'role', role) order by id) from memberships m
    where m.person_id = people.id), '[]')`;
  return db
    .selectFrom('people')
    .select(['id', 'name', 'email', 'kind', 'department', 'keeps_time as keepsTime', 'keys'])
    .select([sql<boolean>`coalesce(disabled_on <= current_date, false)`.as('disabled'), memberships.as('memberships')]);
}

/** Everybody who may be at the desk, by name. */
export function people(db: Database): Promise<Person[]> {
  return peopleRows(db).where('kind', '=', 'person').orderBy('name').execute();
}

/** Whoever may take something, by their address or their name, as a table names them. */
export function peopleToTake(db: Database, named: readonly string[]): Promise<Person[]> {
  return peopleRows(db)
    .where('kind', '=', 'person')
    .where(sql<boolean>`(disabled_on is null or disabled_on > current_date)`)
    .where(sql<boolean>`(email = any(${named.map((one) => one.toLowerCase())}::text[]) or name = any(${named}::text[]))`)
    .execute();
}

export function personById(db: Database, id: string): Promise<Person | undefined> {
  return peopleRows(db).where('id', '=', id).executeTakeFirst();
}

export async function keepTime(db: Database, person: string, keeps: boolean): Promise<void> {
  await db.updateTable('people').set({ keeps_time: keeps }).where('id', '=', person).execute();
}

export async function writeKeys(db: Database, person: string, keys: KeySettings): Promise<void> {
  await db
    .updateTable('people')
    .set({ keys: JSON.stringify(keys) })
    .where('id', '=', person)
    .execute();
}

export interface Spent {
  finding_id: number;
  what: 'shown' | 'first input' | 'applied' | 'skipped' | 'ruled';
  seconds: number;
}

/** Keeps how long somebody was at findings of a page; what is no finding of it is left out, and all of it for whoever switched it off. */
export async function logTime(trx: Write | Database, person: string, pageId: number, spent: readonly Spent[]): Promise<void> {
  await sql`insert into time_log (person_id, page_id, finding_id, what, seconds)
    select people.id, f.page_id, f.id, rows.what, least(rows.seconds, 3600)
    from jsonb_to_recordset(${JSON.stringify(spent)}::jsonb) as rows (finding_id integer, what text, seconds real)
    join findings f on f.id = rows.finding_id and f.page_id = ${pageId} join people on people.id = ${person} and people.keeps_time`.execute(
    trx,
  );
}

/** How long findings took that somebody saw to, the latest first: the house's own times. */
export async function timesTaken(db: Database | Write, limit: number): Promise<{ page: number; family: Family; seconds: number }[]> {
  const { rows } = await sql<{ page: number; family: Family; seconds: number }>`select t.page_id as page, k.family, t.seconds
    from (select page_id, finding_id, seconds from time_log where what in ('applied', 'ruled') and finding_id is not null
      order by id desc limit ${limit}) t join findings f on f.id = t.finding_id join kinds k on k.id = f.kind_id`.execute(db);
  return rows;
}

/** People with one part each in all collections; those already known keep their name and get the part. */
export async function setPeople(db: Database, made: readonly { id: string; name: string; role: Role }[]): Promise<void> {
  await db
    .insertInto('people')
    .values(made.map(({ id, name }) => ({ id, name })))
    .onConflict((on) => on.doNothing())
    .execute();
  await db
    .insertInto('memberships')
    .values(made.map(({ id, role }) => ({ person_id: id, collection_id: null, role })))
    .onConflict((on) => on.doNothing())
    .execute();
}
