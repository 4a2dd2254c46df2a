import { sql, type RawBuilder } from 'kysely';

/** Whether finding `f` is open on a day: `isOpenOn` in SQL. */
export function OPEN(today: string): RawBuilder<unknown> {
  return sql`(f.standing in ('open', 'returned') or (f.standing = 'excepted' and f.excepted_until < ${today}::date))`;
}
