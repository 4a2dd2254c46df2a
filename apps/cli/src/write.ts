import { cp, mkdir, readdir, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join, resolve, sep } from 'node:path';
import { spliceZip, type Mended, type SourceFile } from '@inkwell/formats';
import { CallError } from './call.ts';
import type { Whole } from './pages.ts';

/** A file of a collection as it is to be written: other bytes, another name, or both. */
export interface Rewritten {
  file: SourceFile;
  /** Null when they stay. */
  bytes: Uint8Array | null;
  name?: string;
}

const offsetOf = ({ place }: SourceFile) => (place.in === 'zip' ? place.data.at : 0);

/** Files in the order in which they lie in their archive. */
export function inPlaceOrder(files: readonly SourceFile[]): SourceFile[] {
  return [...files].sort((a, b) => offsetOf(a) - offsetOf(b));
}

/** Refuses to write a collection over or into itself, or a folder into one that is there. */
export async function refuseOut(whole: Whole, out: string): Promise<void> {
  const [from, to] = [resolve(whole.root), resolve(out)];
  if (from === to) throw new CallError(`${out} is the package itself; name another place with --out`);
  if (whole.directory) return;
  if (to.startsWith(`${from}${sep}`)) throw new CallError(`${out} lies in the folder itself; name another place with --out`);
  const there = await readdir(to).catch((error: NodeJS.ErrnoException) => (error.code === 'ENOENT' ? [] : null));
  if (there === null || there.length > 0) throw new CallError(`${out} is there already; name a new folder with --out`);
}

/** Writes a folder or package with its rewritten files, which come in place order; without a place, only goes through them. */
export async function writeWhole(whole: Whole, out: string | undefined, files: AsyncIterable<Rewritten>): Promise<void> {
  if (out === undefined) {
    for await (const file of files) void file;
  } else if (whole.directory) await writeZip(whole, out, files);
  else await writeFolder(whole, out, files);
}

async function writeFolder(whole: Whole, out: string, files: AsyncIterable<Rewritten>): Promise<void> {
  await cp(whole.root, out, { recursive: true, verbatimSymlinks: true, preserveTimestamps: true });
  for await (const { file, bytes, name } of files) {
    const place = join(out, name ?? file.path);
    if (name !== undefined) {
      await mkdir(dirname(place), { recursive: true });
      await rename(join(out, file.path), place);
    }
    if (bytes) await writeFile(place, bytes);
  }
}

async function writeZip(whole: Whole, out: string, files: AsyncIterable<Rewritten>): Promise<void> {
  const directory = whole.directory!;
  const byPlace = new Map(directory.entries.map((entry) => [entry.at, entry]));
  const mended = async function* (): AsyncGenerator<Mended> {
    for await (const { file, bytes, name } of files)
      yield { entry: byPlace.get(offsetOf(file))!, bytes, ...(name === undefined ? {} : { name }) };
  };
  // Written beside and moved into place: a call that is stopped leaves nothing half done.
  const beside = `${out}.${process.pid}.part`;
  try {
    await mkdir(dirname(resolve(out)), { recursive: true });
    await spliceZip(directory, mended(), beside);
    await rename(beside, out);
  } catch (error) {
    await rm(beside, { force: true });
    const { code } = error as NodeJS.ErrnoException;
    if (code?.startsWith('E') && !code.startsWith('ERR_'))
      throw new CallError(`${out} could not be written (${code}); choose another place with --out`);
    throw error;
  }
}
