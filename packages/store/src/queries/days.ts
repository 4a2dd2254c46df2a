import { sql } from 'kysely';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import type { ShelfSums } from './status.ts';

const SUMS = ['pages', 'held', 'judge', 'ready', 'must', 'should', 'consider', 'questions'] as const;

/** What stood open in a collection at the end of a day; on this day, so far. */
export type CollectionDay = Record<(typeof SUMS)[number], number> & { day: string };

/** Writes down how far collections are on a day, in place of what was written on it before. */
export async function writeDays(db: Database | Write, day: string, sums: readonly ShelfSums[]): Promise<void> {
  const columns = sql.raw(SUMS.join(', '));
  const rows = sums.map((row) => ({ id: row.id, ...Object.fromEntries(SUMS.map((name) => [name, row[name]])) }));
  await sql`insert into collection_days (collection_id, day, ${columns})
    select rows.id, ${day}::date, ${sql.raw(SUMS.map((name) => `rows.${name}`).join(', '))}
      from ${rowsFrom(rows, `id integer, ${SUMS.map((name) => `${name} integer`).join(', ')}`)} join collections c on c.id = rows.id
    on conflict (collection_id, day) do update
      set ${sql.raw(SUMS.map((name) => `${name} = excluded.${name}`).join(', '))}`.execute(db);
}

/** The last days of a collection that something was written down on, the first of them first. */
export async function daysOf(db: Database | Write, collectionId: number, limit: number): Promise<CollectionDay[]> {
  const { rows } = await sql<CollectionDay>`select * from (select day::text, ${sql.raw(SUMS.join(', '))} from collection_days
    where collection_id = ${collectionId} order by day desc limit ${limit}) d order by day`.execute(db);
  return rows;
}

/** What came back in a week, by family. */
export interface ReturnedInWeek {
  /** Its Monday. */
  week: string;
  family: string;
  many: number;
}

/** What came back in a collection in the last weeks. */
export async function returnedByWeek(db: Database | Write, collectionId: number, weeks: number): Promise<ReturnedInWeek[]> {
  const { rows } =
    await sql<ReturnedInWeek>`select to_char(date_trunc('week', c.made_at), 'YYYY-MM-DD') as week, k.family, count(*)::integer as many
    from pages p join standing_changes c on c.page_id = p.id join findings f on f.id = c.finding_id join kinds k on k.id = f.kind_id
    where p.collection_id = ${collectionId} and c.standing = 'returned' and c.made_at > now() - make_interval(weeks => ${weeks}::integer)
    group by 1, 2 order by 1, 2`.execute(db);
  return rows;
}
