import { sql, type RawBuilder } from 'kysely';

/**
 * Many rows as one parameter, for a statement that takes them all at once: `from` this as `rows (columns)`. Broken halves of letters,
 * which the database refuses in JSON, become the sign for an unknown one.
 */
export function rowsFrom(rows: readonly object[], columns: string): RawBuilder<unknown> {
  const json = JSON.stringify(rows, (_key, value: unknown) =>
    typeof value === 'string' ? value.toWellFormed().replaceAll('\u0000', '\ufffd') : value,
  );
  return sql`jsonb_to_recordset(${json}::jsonb) as ${sql.raw(`rows (${columns})`)}`;
}
