import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';

/** What somebody said about a finding. */
export interface Remark {
  id: number;
  words: string;
  by: string;
  byId: string;
  at: Date;
}

/** Remarks on a finding, the first first: the last so many. */
export async function remarksOn(db: Database | Write, finding: number, limit: number): Promise<Remark[]> {
  const { rows } = await sql<Remark>`select * from (select r.id, r.words, p.name as by, p.id as "byId", r.made_at as at
      from remarks r join people p on p.id = r.made_by where r.finding_id = ${finding} order by r.id desc limit ${limit}) last
    order by id`.execute(db);
  return rows;
}

/** How many remarks the findings of a page have. */
export async function remarksOf(db: Database | Write, page: number): Promise<Map<number, number>> {
  const { rows } = await sql<{ finding: number; many: number }>`select finding_id as finding, count(*)::integer as many from remarks
    where page_id = ${page} group by finding_id`.execute(db);
  return new Map(rows.map(({ finding, many }) => [finding, many]));
}

export async function addRemark(trx: Write, remark: { page: number; finding: number; words: string; by: string }): Promise<void> {
  await trx
    .insertInto('remarks')
    .values({ page_id: remark.page, finding_id: remark.finding, words: remark.words, made_by: remark.by })
    .execute();
}

/** Gives somebody's calendar an address of its own, in place of the one before; null: none any more. */
export async function setCalendar(db: Database | Write, person: string, sum: string | null): Promise<void> {
  if (sum === null) await db.deleteFrom('calendars').where('person_id', '=', person).execute();
  else
    await db
      .insertInto('calendars')
      .values({ person_id: person, sum })
      .onConflict((on) => on.column('person_id').doUpdateSet({ sum, made_at: new Date() }))
      .execute();
}

export async function calendarSince(db: Database | Write, person: string): Promise<Date | null> {
  const row = await db.selectFrom('calendars').select('made_at').where('person_id', '=', person).executeTakeFirst();
  return row?.made_at ?? null;
}

/** Whose calendar has an address with this sum. */
export async function calendarOf(db: Database | Write, sum: string): Promise<string | null> {
  const row = await db.selectFrom('calendars').select('person_id').where('sum', '=', sum).executeTakeFirst();
  return row?.person_id ?? null;
}

/** A page with work that is due on a day. */
export interface DueLine {
  hand: number;
  page: number;
  slug: string;
  title: string;
  collection: string;
  collectionTitle: string;
  due: string;
  many: number;
  words: string;
  by: string;
}

/** Work of somebody that is still to be done and has a day, by the day. */
export async function dueFor(
  db: Database | Write,
  person: string,
  collections: readonly number[] | null,
  limit: number,
): Promise<DueLine[]> {
  const { rows } =
    await sql<DueLine>`select h.id as hand, p.id as page, p.slug, p.title, c.slug as collection, c.title as "collectionTitle",
      to_char(h.due, 'YYYY-MM-DD') as due, count(*)::integer as many, h.words, b.name as by
    from hands h join handed d on d.hand_id = h.id join findings f on f.id = d.finding_id join pages p on p.id = d.page_id
      join collections c on c.id = h.collection_id and c.taken_out_at is null join people b on b.id = h.made_by
    where h.given_to = ${person} and h.due is not null and p.gone_at is null and f.standing in ('open', 'returned')
      and (${collections}::integer[] is null or h.collection_id = any(${collections}::integer[]))
    group by h.id, p.id, c.id, b.name order by h.due, p.id limit ${limit}`.execute(db);
  return rows;
}
