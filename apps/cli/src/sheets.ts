import { readFile } from 'node:fs/promises';
import { parse } from 'csv-parse/sync';
import { CallError } from './call.ts';

/** The rows of a CSV file by the names in its first line, which must hold those that are asked for. */
export async function readSheet<K extends string>(file: string, columns: readonly K[]): Promise<Record<K, string>[]> {
  const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    throw new CallError(`${file} cannot be read (${error.code ?? error.message}); name a CSV file`);
  });
  let rows: Record<string, string>[];
  try {
    rows = parse(text, { columns: true, bom: true, skip_empty_lines: true, relax_column_count: true });
  } catch (error) {
    throw new CallError(`${file} is no CSV that can be read: ${(error as Error).message}`);
  }
  const missing = columns.filter((column) => rows[0] && !(column in rows[0]));
  if (missing.length > 0) throw new CallError(`${file} has no column ${missing.join(', ')}; its first line names ${columns.join(',')}`);
  return rows.map((row) => Object.fromEntries(columns.map((column) => [column, plain(row[column] ?? '')])) as Record<K, string>);
}

/** A cell that a spreadsheet would run as a formula was written with an apostrophe before it. */
function plain(cell: string): string {
  return cell.replace(/^'(?=[=+\-@\t\r])/, '');
}
