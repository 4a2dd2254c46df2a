import { join } from 'node:path';
import { FILE_BASE_FOLDER } from '@inkwell/core';
import {
  limitsFrom,
  mendFile,
  readPlace,
  spliceZip,
  UnreadableEntry,
  writeNewZip,
  zipSource,
  type Added,
  type Mended,
  type MendedText,
  type PackedEntry,
  type SourceFile,
} from '@inkwell/formats';
import {
  bytesOf,
  collectionBySlug,
  fileByHash,
  filesOf,
  loosePages,
  mendedEntries,
  mendedIn,
  packageOf,
  type Collection,
  type Database,
  type Package,
  type StoredFile,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { slugOf } from '../bringIn.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { fetchToDisk } from './files.ts';

export interface SentOut {
  /** What the file is to be called. */
  name: string;
  /** Where it was written. */
  file: string;
  /** What could not be written as it is now, and went out as it came in. */
  troubles: { path: string; what: string }[];
}

/**
 * Writes a collection as the package it came in, with only what was mended changed; what was added comes behind. One that came page by
 * page becomes a zip of its pages and files.
 *
 * @param folder where it may write
 */
export async function sendOut(services: Services, actor: Actor, wish: { collection: string; folder: string }): Promise<Result<SentOut>> {
  const collection = await collectionBySlug(services.db, wish.collection);
  if (!collection) return notFound('This collection');
  const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
  if (barred) return barred;
  const file = join(wish.folder, 'out.zip');
  const found = await packageOf(services.db, collection.id);
  if (!found) {
    await writeNewZip(file, everything(services.db, collection));
    return done({ name: `${slugOf(collection.title)}.zip`, file, troubles: [] });
  }
  return done({ name: found.name, file, troubles: await splicePackage(services, collection, found, file, wish.folder) });
}

/** Entries whose texts are read at once. */
const TOGETHER = 50;

async function splicePackage(
  { db }: Services,
  collection: Collection,
  found: Package,
  out: string,
  folder: string,
): Promise<SentOut['troubles']> {
  const came = join(folder, 'came.zip');
  await fetchToDisk(db, (await fileByHash(db, found.sha256))!, came);
  const source = await zipSource(came, limitsFrom(process.env));
  const byPath = new Map(source.files.map((one) => [one.path, one]));
  const byPlace = new Map(source.directory!.entries.map((entry) => [entry.at, entry]));
  const troubles: SentOut['troubles'] = [];
  const changed = new Set(await mendedEntries(db, collection.id));
  const files = source.files.filter(({ path }) => changed.has(path)).sort((a, b) => entryOf(a, byPlace).at - entryOf(b, byPlace).at);
  const mended = async function* (): AsyncGenerator<Mended> {
    for (let at = 0; at < files.length; at += TOGETHER) {
      const some = files.slice(at, at + TOGETHER);
      const texts = await mendedIn(
        db,
        collection.id,
        some.map(({ path }) => path),
      );
      for (const one of some) {
        const pages = texts.filter(({ entry }) => entry === one.path);
        const result = await mendedBytes(one, pages);
        if (result.ok) yield { entry: entryOf(one, byPlace), bytes: result.bytes };
        else troubles.push({ path: one.path, what: result.why });
      }
    }
  };
  await spliceZip(source.directory!, mended(), out, added(db, collection, byPath));
  return troubles;
}

function entryOf({ place }: SourceFile, byPlace: ReadonlyMap<number, PackedEntry>): PackedEntry {
  return byPlace.get(place.in === 'zip' ? place.data.at : -1)!;
}

async function mendedBytes(file: SourceFile, pages: readonly MendedText[]): Promise<ReturnType<typeof mendFile>> {
  try {
    return mendFile(await readPlace(file.place, Infinity), pages);
  } catch (error) {
    if (error instanceof UnreadableEntry) return { ok: false, why: error.message };
    throw error;
  }
}

/** Files and pages of a collection that its package does not hold. */
async function* added(db: Database, collection: Collection, there: ReadonlyMap<string, SourceFile>): AsyncGenerator<Added> {
  for await (const one of everything(db, collection)) {
    const alias = one.path.startsWith(`${FILE_BASE_FOLDER}/`) && there.has(one.path.slice(FILE_BASE_FOLDER.length + 1));
    if (!there.has(one.path) && !alias) yield { path: one.path, bytes: await one.bytes() };
  }
}

interface Whole {
  path: string;
  bytes: () => Promise<Uint8Array>;
}

/** The files of a collection, and its pages that came alone. */
async function* everything(db: Database, collection: Collection): AsyncGenerator<Whole> {
  for (const file of await filesOf(db, collection.id)) yield { path: file.path, bytes: () => bytesWhole(db, file) };
  for (const { address, html } of await loosePages(db, collection.id))
    yield { path: address, bytes: () => Promise.resolve(new TextEncoder().encode(html)) };
}

async function bytesWhole(db: Database, file: StoredFile): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  for await (const part of bytesOf(db, file)) parts.push(part);
  return Buffer.concat(parts);
}
