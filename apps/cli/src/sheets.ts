import { readFile } from 'node:fs/promises';
import { readSheet as read } from '@inkwell/formats';
import { CallError } from './call.ts';

/** The rows of a CSV file by the names in its first line, which must hold those that are asked for. */
export async function readSheet<K extends string>(file: string, columns: readonly K[]): Promise<Record<K, string>[]> {
  const bytes = await readFile(file).catch((error: NodeJS.ErrnoException) => {
    throw new CallError(`${file} cannot be read (${error.code ?? error.message}); name a CSV file`);
  });
  const sheet = read(bytes, columns);
  if (!sheet.ok) throw new CallError(`${file} ${sheet.why}`);
  return sheet.rows;
}
