import { join } from 'node:path';
import { writeNewZip } from '@inkwell/formats';
import { bytesWhole, collectionBySlug, filesOf, pageAsFile, pagesInFolder, type Collection } from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { bytesOfPage, type SentOut } from './sendOut.ts';

async function seen({ db }: Services, actor: Actor, slug: string): Promise<Result<Collection>> {
  const collection = await collectionBySlug(db, slug);
  if (!collection) return notFound('This collection');
  return unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection') ?? done(collection);
}

/** One page as the file it came in, as it is now; one that lay inside XML as HTML of its own. */
export async function sendOutPage(
  services: Services,
  actor: Actor,
  wish: { collection: string; page: string },
): Promise<Result<{ name: string; bytes: Uint8Array }>> {
  const collection = await seen(services, actor, wish.collection);
  if (!collection.ok) return collection;
  const page = await pageAsFile(services.db, collection.value.id, wish.page);
  if (!page) return notFound('This page');
  const [file = '', inside] = page.address.split('#');
  const name = file.split('/').pop()!;
  return done({ name: inside === undefined ? name : `${wish.page}.html`, bytes: bytesOfPage(page) });
}

/** Pages read at once. */
const TOGETHER = 50;

/**
 * Writes a folder of a collection as a zip: its pages as they are now, and its files.
 *
 * @param folder with its slash
 * @param into where it may write
 */
export async function sendOutFolder(
  services: Services,
  actor: Actor,
  wish: { collection: string; folder: string; into: string },
): Promise<Result<SentOut>> {
  const collection = await seen(services, actor, wish.collection);
  if (!collection.ok) return collection;
  const entries = inFolder(services, collection.value.id, wish.folder);
  const first = await entries.next();
  if (first.done) return notFound('This folder');
  const file = join(wish.into, 'out.zip');
  await writeNewZip(file, withFirst(first.value, entries));
  return done({ name: `${wish.folder.replace(/\/$/, '').split('/').pop()!}.zip`, file });
}

interface Entry {
  path: string;
  bytes: () => Promise<Uint8Array>;
}

async function* inFolder({ db }: Services, collectionId: number, folder: string): AsyncGenerator<Entry, undefined> {
  for (let after = ''; ;) {
    const pages = await pagesInFolder(db, collectionId, folder, after, TOGETHER);
    for (const page of pages) yield { path: page.address, bytes: () => Promise.resolve(bytesOfPage(page)) };
    if (pages.length < TOGETHER) break;
    after = pages.at(-1)!.address;
  }
  for (const file of await filesOf(db, collectionId))
    if (file.path.startsWith(folder)) yield { path: file.path, bytes: () => bytesWhole(db, file) };
  return undefined;
}

async function* withFirst(first: Entry, rest: AsyncGenerator<Entry, undefined>): AsyncGenerator<Entry> {
  yield first;
  yield* rest;
}
