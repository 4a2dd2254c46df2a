import { parse } from 'csv-parse/sync';

export type SheetRead<K extends string> = { ok: true; rows: Record<K, string>[] } | { ok: false; why: string };

/**
 * The rows of a CSV file (RFC 4180) by the names in its first line, which must hold those that are asked for; others are passed over.
 * Spreadsheets also write semicolons or tabs between cells, and what is no UTF-8 is taken for Windows-1252. `why`: the end of a sentence.
 */
export function readSheet<K extends string>(bytes: Uint8Array, columns: readonly K[]): SheetRead<K> {
  const text = decoded(bytes);
  let rows: Record<string, string>[];
  try {
    const options = { bom: true, skip_empty_lines: true, relax_column_count: true, delimiter: delimiterOf(text) };
    rows = parse(text, { ...options, columns: true });
  } catch (error) {
    return { ok: false, why: `is no CSV that can be read: ${(error as Error).message}` };
  }
  const missing = columns.filter((column) => rows[0] && !(column in rows[0]));
  if (missing.length > 0) return { ok: false, why: `has no column ${missing.join(', ')}; its first line names ${columns.join(',')}` };
  const rowOf = (row: Record<string, string>) => Object.fromEntries(columns.map((column) => [column, plain(row[column] ?? '')]));
  return { ok: true, rows: rows.map((row) => rowOf(row) as Record<K, string>) };
}

function decoded(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** The sign that parts most of the first line. */
function delimiterOf(text: string): string {
  const first = /^[^\r\n]*/.exec(text)![0];
  const many = (sign: string) => first.split(sign).length;
  return [',', ';', '\t'].sort((a, b) => many(b) - many(a))[0]!;
}

/** A cell that a spreadsheet would run as a formula was written with an apostrophe before it. */
function plain(cell: string): string {
  return cell.replace(/^'(?=[=+\-@\t\r])/, '');
}
