import { join } from 'node:path';
import { FILE_BASE_FOLDER } from '@inkwell/core';
import {
  encodeText,
  limitsFrom,
  mendFile,
  nameFiles,
  namingIn,
  readPlace,
  spliceZip,
  UnreadableEntry,
  writeNewZip,
  zipSource,
  type Added,
  type Mended,
  type MendedText,
  type PackedEntry,
  type Source,
  type SourceFile,
} from '@inkwell/formats';
import {
  bytesWhole,
  collectionBySlug,
  fileByHash,
  filesOf,
  foldersOf,
  house,
  loosePages,
  mendedEntries,
  mendedIn,
  packageOf,
  shelfSums,
  type Collection,
  type Database,
  type LoosePage,
  type Package,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { slugOf } from '../bringIn.ts';
import { done, notFound, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import type { Tally } from '../tally.ts';
import { changedFiles, renamedIn, renamesOf } from './changedFiles.ts';
import { fetchToDisk, inScratch } from './files.ts';

export interface SentOut {
  /** What the file is to be called. */
  name: string;
  /** Where it was written. */
  file: string;
}

/** What is to be known before a collection goes out: nothing is refused for it. */
export interface GoesOut {
  name: string;
  /** Whether it is the package it came in; else it is made of its pages and files. */
  came: boolean;
  /** What is still open in it. */
  open: Tally;
  /** Files whose pages cannot be written as they are now, and go out as they came in. */
  troubles: { path: string; what: string }[];
  /** Its folders, each of which can go out alone. */
  folders: { folder: string; files: number }[];
}

/** Folders that are offered. */
const MOST_FOLDERS = 300;

/** Says what a collection that goes out still has open, and which of its files would go out as they came in. */
export async function goesOut(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<GoesOut>> {
  const seen = await seenOut(services, actor, wish.collection);
  if (!seen.ok) return seen;
  const { collection, found, name } = seen.value;
  const [sums] = await shelfSums(services.db, [collection.id], dayIn((await house(services.db)).timeZone, services.now()));
  const { must = 0, should = 0, consider = 0, questions = 0 } = sums ?? {};
  const changed = found ? await mendedEntries(services.db, collection.id) : [];
  const troubles: GoesOut['troubles'] = [];
  if (found && changed.length > 0)
    await inScratch(async (folder) => {
      const source = await sourceOf(services.db, found, folder);
      for await (const mended of mendings(services.db, collection, source, changed, troubles)) void mended;
    });
  return done({
    name,
    came: found !== undefined,
    open: { must, should, consider, judge: questions },
    troubles,
    folders: await foldersOf(services.db, collection.id, MOST_FOLDERS),
  });
}

/**
 * Writes a collection as the package it came in, with only what was mended changed; what was added comes behind. One that came page by
 * page becomes a zip of its pages and files. What `goesOut` tells of goes out as it came in.
 *
 * @param folder where it may write
 */
export async function sendOut(services: Services, actor: Actor, wish: { collection: string; folder: string }): Promise<Result<SentOut>> {
  const seen = await seenOut(services, actor, wish.collection);
  if (!seen.ok) return seen;
  const { collection, found, name } = seen.value;
  const file = join(wish.folder, 'out.zip');
  if (found) {
    const source = await sourceOf(services.db, found, wish.folder);
    const entries = await mendedEntries(services.db, collection.id);
    const pages = new Set(entries);
    const naming = await named(services.db, collection, source);
    const byPlace = new Map(source.directory!.entries.map((entry) => [entry.at, entry]));
    const files = changedFiles(
      services.db,
      collection.id,
      source,
      (one) => entryOf(one, byPlace),
      (path, entry) => pages.has(path) || entry === naming?.entry.at,
    );
    const mended = inOrder(mendings(services.db, collection, source, entries, []), files);
    await spliceZip(source.directory!, withNames(naming, mended), file, added(services.db, collection, source));
  } else await writeNewZip(file, everything(services.db, collection));
  return done({ name, file });
}

interface SeenOut {
  collection: Collection;
  /** The package it came in, when it came in one. */
  found: Package | undefined;
  name: string;
}

async function seenOut({ db }: Services, actor: Actor, slug: string): Promise<Result<SeenOut>> {
  const collection = await collectionBySlug(db, slug);
  if (!collection) return notFound('This collection');
  const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
  if (barred) return barred;
  const found = await packageOf(db, collection.id);
  return done({ collection, found, name: found?.name ?? `${slugOf(collection.title)}.zip` });
}

async function sourceOf(db: Database, found: Package, folder: string): Promise<Source> {
  const came = join(folder, 'came.zip');
  await fetchToDisk(db, (await fileByHash(db, found.sha256))!, came);
  return zipSource(came, limitsFrom(process.env));
}

/** Entries whose texts are read at once. */
const TOGETHER = 50;

/** The entries of a package whose pages changed, mended, in the order of their places; those that cannot be are told in `troubles`. */
async function* mendings(
  db: Database,
  collection: Collection,
  source: Source,
  changed: readonly string[],
  troubles: GoesOut['troubles'],
): AsyncGenerator<Mended> {
  const byPlace = new Map(source.directory!.entries.map((entry) => [entry.at, entry]));
  const wanted = new Set(changed);
  const files = source.files.filter(({ path }) => wanted.has(path)).sort((a, b) => entryOf(a, byPlace).at - entryOf(b, byPlace).at);
  for (let at = 0; at < files.length; at += TOGETHER) {
    const some = files.slice(at, at + TOGETHER);
    const paths = some.map(({ path }) => path);
    const texts = await mendedIn(db, collection.id, paths);
    for (const one of some) {
      const pages = texts.filter(({ entry }) => entry === one.path);
      const result = await mendedBytes(one, pages);
      if (result.ok) yield { entry: entryOf(one, byPlace), bytes: result.bytes };
      else troubles.push({ path: one.path, what: result.why });
    }
  }
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

/** Two runs of entries as one, in the order of their places. */
async function* inOrder(...runs: AsyncGenerator<Mended>[]): AsyncGenerator<Mended> {
  const heads = await Promise.all(runs.map((run) => run.next()));
  for (;;) {
    let first = -1;
    heads.forEach((head, nth) => {
      if (!head.done && (first < 0 || head.value.entry.at < (heads[first]!.value as Mended).entry.at)) first = nth;
    });
    if (first < 0) return;
    yield heads[first]!.value as Mended;
    heads[first] = await runs[first]!.next();
  }
}

/** Files and pages of a collection that its package does not hold; those that only have another name it holds. */
async function* added(db: Database, collection: Collection, { files }: Source): AsyncGenerator<Added> {
  const renames = await renamesOf(db, collection.id);
  const there = new Set(files.flatMap(({ path }) => [path, renames.get(path) ?? path]));
  for await (const { path, bytes } of everything(db, collection)) {
    if (there.has(path) || isAlias(path, (other) => there.has(other))) continue;
    there.add(path);
    yield { path, bytes: await bytes() };
  }
}

/**
 * What is mended, with the file that names the others where some came to it: images that were taken in or renamed here. It comes at its
 * own place among them.
 */
async function* withNames(naming: Mended | null, mended: AsyncIterable<Mended>): AsyncGenerator<Mended> {
  let waits = naming !== null;
  for await (const one of mended) {
    if (naming && waits && one.entry.at >= naming.entry.at) {
      waits = false;
      // A manifest that holds pages of its own goes out with those mended.
      if (one.entry.at > naming.entry.at) yield naming;
    }
    yield one;
  }
  if (naming && waits) yield naming;
}

async function named(db: Database, collection: Collection, source: Source): Promise<Mended | null> {
  const renames = await renamesOf(db, collection.id);
  const there = new Set(source.files.flatMap(({ path }) => [path, renames.get(path) ?? path]));
  const come = (await filesOf(db, collection.id)).filter(({ path }) => !there.has(path));
  for (const { path } of come) there.add(path);
  const fresh = come.filter(({ path }) => !isAlias(path, (other) => there.has(other)));
  const naming = fresh.length > 0 ? await namingIn(source) : null;
  const file = naming && source.files.find(({ path }) => path === naming.path);
  if (!naming || !file) return null;
  const came = await readPlace(file.place, Infinity);
  const bytes = nameFiles(renamedIn(came, naming.path, renames) ?? came, naming, fresh);
  return bytes && { entry: entryOf(file, new Map(source.directory!.entries.map((entry) => [entry.at, entry]))), bytes };
}

/** In a course each file also lies where its pages call it by: in the package it lies once. */
function isAlias(path: string, there: (path: string) => boolean): boolean {
  return path.startsWith(`${FILE_BASE_FOLDER}/`) && there(path.slice(FILE_BASE_FOLDER.length + 1));
}

interface Whole {
  path: string;
  bytes: () => Promise<Uint8Array>;
}

/** The files of a collection, and its pages that came alone. */
async function* everything(db: Database, collection: Collection): AsyncGenerator<Whole> {
  for (const file of await filesOf(db, collection.id)) yield { path: file.path, bytes: () => bytesWhole(db, file) };
  for (const page of await loosePages(db, collection.id)) yield { path: page.address, bytes: () => Promise.resolve(bytesOfPage(page)) };
}

/**
 * A page in the encoding it came in. Where that lacks a letter, or needs a mark, it is UTF-8 with a mark, which counts for more than what
 * the page says of itself (HTML Living Standard, "determining the character encoding").
 */
export function bytesOfPage({ html, encoding, bom }: LoosePage): Uint8Array {
  const own = bom || encoding?.startsWith('utf-16') ? null : encodeText(html, encoding ?? 'utf-8');
  return own?.ok ? own.bytes : new TextEncoder().encode(`\ufeff${html}`);
}
