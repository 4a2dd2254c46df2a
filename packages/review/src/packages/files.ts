import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { append, FILE_BASE_FOLDER } from '@inkwell/core';
import { readInParts, readPlace, UnreadableEntry, type Collection, type SourceFile } from '@inkwell/formats';
import { bytesOf, hashOf, keepFiles, keepStream, writing, type Database, type KeptAt, type NewFile, type StoredFile } from '@inkwell/store';
import type { Services } from '../services.ts';
import { mediaTypeOf } from './mediaTypes.ts';

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

/** Keeps a long file under its hash, never held whole: it is read twice, once for its hash and once for its pieces. Gives the hash. */
async function keepLong(
  db: Database,
  { mediaType, size, parts }: { mediaType: string; size: number; parts: () => AsyncIterable<Buffer> },
): Promise<string> {
  const hash = createHash('sha256');
  for await (const part of parts()) hash.update(part);
  const sha256 = hash.digest('hex');
  await writing(db, (trx) => keepStream(trx, { sha256, mediaType, size }, parts()));
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

/** Bytes of files kept in one transaction; a file that is longer is never held whole. */
const KEPT_TOGETHER = 8_000_000;
const MOST_TOGETHER = 100;

/** The files of a package that are no pages. */
export function filesOfPackage({ files, pages }: Collection): SourceFile[] {
  const whole = new Set(pages.filter((page) => page.inside === null).map((page) => page.path));
  return files.filter(({ path }) => !whole.has(path));
}

/** Where they lie, each once. */
export function pathsOf(collection: Collection): string[] {
  return filesOfPackage(collection).map(({ path }) => path);
}

/** A file at its place, and in a course at the place its pages call it by, where that is another. */
export function placesOf({ path }: { path: string }, { kind, files }: Collection): string[] {
  const elsewhere = kind === 'course' && !files.some((file) => file.path.startsWith(`${FILE_BASE_FOLDER}/`));
  return elsewhere ? [path, `${FILE_BASE_FOLDER}/${path}`] : [path];
}

/**
 * Keeps the files of a package, and says where each is to lie. What cannot be read is left out: pages that show it say that it is missing.
 */
export async function keepAll(services: Services, collection: Collection): Promise<KeptAt[]> {
  const kept: KeptAt[] = [];
  let [together, bytes]: [NewFile[], number] = [[], 0];
  const keep = async () => {
    if (together.length > 0) await writing(services.db, (trx) => keepFiles(trx, together));
    [together, bytes] = [[], 0];
  };
  for (const file of filesOfPackage(collection)) {
    const mediaType = mediaTypeOf(file.path);
    try {
      let sha256: string;
      if (file.size > KEPT_TOGETHER)
        sha256 = await keepLong(services.db, { mediaType, size: file.size, parts: () => readInParts(file.place) });
      else {
        const content = await readPlace(file.place, KEPT_TOGETHER);
        sha256 = hashOf(content);
        together.push({ path: file.path, mediaType, bytes: content });
        bytes += content.length;
      }
      append(
        kept,
        placesOf(file, collection).map((path) => ({ path, sha256 })),
      );
    } catch (error) {
      if (!(error instanceof UnreadableEntry)) throw error;
    }
    if (bytes >= KEPT_TOGETHER || together.length >= MOST_TOGETHER) await keep();
  }
  await keep();
  return kept;
}
