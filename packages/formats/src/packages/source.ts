import { open, readdir, readFile, stat } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';
import { readDirectory, type Directory } from '../zip/directory.ts';
import { unpack, unpackInParts, UnreadableEntry, type EntryData } from '../zip/entry.ts';
import type { Limits } from '../zip/limits.ts';
import { isLeftover, shown } from '../zip/names.ts';

/** Where the bytes of one file of a collection are. Plain data: it can be sent to a worker. */
export type EntryPlace = { in: 'folder'; file: string } | { in: 'zip'; zip: string; data: EntryData };

export interface SourceFile {
  /** Its name in the collection, with forward slashes. */
  path: string;
  /** Bytes, unpacked. */
  size: number;
  place: EntryPlace;
}

/** What could not be read: where, and the end of a sentence. */
export interface Trouble {
  path: string;
  what: string;
}

/** A folder or an archive with its files: no folders, no system leftovers, one of each name. */
export interface Source {
  files: SourceFile[];
  /** Links to what lies elsewhere: they are not followed, but whoever leads to them is not lost. A folder ends in a slash. */
  links: string[];
  troubles: Trouble[];
  /** The archive's directory; null for a folder. */
  directory: Directory | null;
}

/** The bytes of a file. Throws UnreadableEntry when they cannot be had, or are more than `most`. */
export async function readPlace(place: EntryPlace, most: number): Promise<Buffer> {
  if (place.in === 'folder') return readWhole(place.file, most);
  const handle = await open(place.zip, 'r');
  try {
    return await unpack(handle, place.data, most);
  } finally {
    await handle.close();
  }
}

/** The same in parts: a long file is never held whole. */
export async function* readInParts(place: EntryPlace): AsyncGenerator<Buffer> {
  const handle = await open(place.in === 'folder' ? place.file : place.zip, 'r');
  try {
    if (place.in === 'zip') yield* unpackInParts(handle, place.data);
    else yield* handle.createReadStream({ autoClose: false }) as AsyncIterable<Buffer>;
  } finally {
    await handle.close();
  }
}

async function readWhole(file: string, most: number): Promise<Buffer> {
  try {
    const { size } = await stat(file);
    if (size > most) throw new UnreadableEntry(`is larger than ${Math.floor(most / 1024 / 1024)} MB, and was not read`);
    return await readFile(file);
  } catch (error) {
    if (error instanceof UnreadableEntry) throw error;
    throw new UnreadableEntry(`cannot be read (${(error as NodeJS.ErrnoException).code ?? (error as Error).message})`);
  }
}

/** An archive's files. Throws RefusedZip for one that is not opened at all. */
export async function zipSource(zip: string, limits: Limits): Promise<Source> {
  const directory = await readDirectory(zip, limits);
  const byPath = new Map<string, SourceFile>();
  const source: Source = { files: [], links: [], troubles: [], directory };
  for (const entry of directory.entries) {
    const { path, size, at, packed, method, crc32, encrypted, link } = entry;
    if (path === '' || path.endsWith('/') || isLeftover(path)) continue;
    if (byPath.has(path)) source.troubles.push({ path, what: 'is in the package twice; the later one was read' });
    byPath.set(path, { path, size, place: { in: 'zip', zip, data: { at, size, packed, method, crc32, encrypted, link } } });
    if (link) source.links.push(path);
    if (encrypted) source.troubles.push({ path, what: 'is encrypted, and was not read' });
    else if (link) source.troubles.push({ path, what: 'is a link to another place, and is not followed' });
  }
  source.files = [...byPath.values()];
  return source;
}

/** The files below a folder, by path in code point order. */
export async function folderSource(folder: string): Promise<Source> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const address = (file: string) => shown(relative(folder, file).split(sep).join('/'));
  const source: Source = { files: [], links: [], troubles: [], directory: null };
  for (const entry of entries) {
    const file = join(entry.parentPath, entry.name);
    const path = address(file);
    if (isLeftover(path)) continue;
    if (entry.isFile()) source.files.push({ path, size: 0, place: { in: 'folder', file } });
    else if (entry.isSymbolicLink()) {
      const about = await stat(file).catch(() => null);
      if (about) source.links.push(`${path}${about.isDirectory() ? '/' : ''}`);
    }
  }
  source.files.sort((a, b) => byCodePoint(a.path, b.path));
  return source;
}

export function byCodePoint(one: string, other: string): number {
  return one < other ? -1 : one > other ? 1 : 0;
}
