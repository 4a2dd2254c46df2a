import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { bytesOf, keepStream, writing, type Database, type StoredFile, type Write } from '@inkwell/store';

const PREFIX = 'inkwell-package-';

/** A folder for the moment: whoever asks for it takes it away. */
export function scratch(): Promise<string> {
  return mkdtemp(join(tmpdir(), `${PREFIX}${process.pid}-`));
}

/** A folder that is gone when the work in it is done, however it ends. */
export async function inScratch<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await scratch();
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Takes away what processes left that were killed in the middle of their work. */
export async function sweepScratch(): Promise<void> {
  for (const name of await readdir(tmpdir())) {
    const pid = name.startsWith(PREFIX) ? Number(name.slice(PREFIX.length).split('-')[0]) : NaN;
    if (pid > 0 && !isAlive(pid)) await rm(join(tmpdir(), name), { recursive: true, force: true });
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/**
 * Keeps a long file under its hash, never held whole: it is read twice, once for its hash and once for its pieces. `then` is done in the
 * same transaction.
 */
export async function keepLong(
  db: Database,
  { mediaType, size, parts }: { mediaType: string; size: number; parts: () => AsyncIterable<Buffer> },
  then: (trx: Write, sha256: string) => Promise<void> = () => Promise.resolve(),
): Promise<string> {
  const hash = createHash('sha256');
  for await (const part of parts()) hash.update(part);
  const sha256 = hash.digest('hex');
  await writing(db, async (trx) => {
    await keepStream(trx, { sha256, mediaType, size }, parts());
    await then(trx, sha256);
  });
  return sha256;
}

/** The same for a file on disk. Gives its hash. */
export async function keepFromDisk(db: Database, path: string, mediaType: string): Promise<string> {
  const { size } = await stat(path);
  return keepLong(db, { mediaType, size, parts: () => createReadStream(path) as AsyncIterable<Buffer> });
}

/** Writes a kept file to disk. */
export async function fetchToDisk(db: Database, file: StoredFile, path: string): Promise<void> {
  await pipeline(bytesOf(db, file), createWriteStream(path));
}
