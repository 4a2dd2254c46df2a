import { join } from 'node:path';
import { type Reference, type Scope } from '@inkwell/core';
import {
  decodeHtml,
  LARGEST_PAGE,
  limitsFrom,
  pagesInXml,
  readCollection,
  readPlace,
  RefusedZip,
  siteOrder,
  UnreadableEntry,
  zipSource,
  type Collection,
  type CollectionPage,
  type Decoded,
  type ZipRefusal,
} from '@inkwell/formats';
import { fileByHash, packageById, refusePackage, writeFound, writing, type Package } from '@inkwell/store';
import type { Services } from '../services.ts';
import { fetchToDisk, inScratch } from './files.ts';

const REFUSALS: Record<ZipRefusal, string> = {
  'not a zip': 'It is no zip archive.',
  damaged: 'Its directory is missing or damaged: it was cut short on its way, or never finished.',
  'too many entries': 'It holds more files than a collection may.',
  'too large': 'Unpacked it would be larger than a collection may be.',
  bomb: 'It unpacks to far more than a collection of pages would.',
  outside: 'It would write outside its own folder.',
};

/** A page of a package with its text. */
export interface PageText {
  page: CollectionPage;
  read: Decoded;
  html: string;
}

/** Opens a kept package: its collection and a way to read its pages' texts. What reads it must be done when `work` is. */
export async function withPackage<T>(
  services: Services,
  found: Pick<Package, 'sha256'>,
  work: (collection: Collection, file: string) => Promise<T>,
): Promise<T> {
  return inScratch(async (folder) => {
    const file = join(folder, 'package');
    await fetchToDisk(services.db, (await fileByHash(services.db, found.sha256))!, file);
    return work(await readCollection(await zipSource(file, limitsFrom(process.env))), file);
  });
}

/** The texts of pages, one after another; what cannot be read is told in `troubles`. A file that holds several is read once. */
export async function* textsOf(pages: readonly CollectionPage[], troubles: { path: string; what: string }[]): AsyncGenerator<PageText> {
  let [last, bytes, inside]: [CollectionPage['file'] | null, Decoded | null, ReturnType<typeof pagesInXml>] = [null, null, []];
  for (const page of pages) {
    if (page.file !== last) {
      const read = await decoded(page);
      if (typeof read === 'string') troubles.push({ path: page.path, what: read });
      [last, bytes, inside] = [page.file, typeof read === 'string' ? null : read, []];
      if (bytes && page.inside !== null) inside = pagesInXml(bytes.text);
    }
    if (!bytes) continue;
    const html = page.inside === null ? bytes.text : inside.find(({ path }) => path === page.inside)?.html;
    if (html !== undefined) yield { page, read: bytes, html };
  }
}

async function decoded({ file }: CollectionPage): Promise<Decoded | string> {
  try {
    const read = decodeHtml(await readPlace(file.place, LARGEST_PAGE));
    if (read.ok) return read;
    return read.reason === 'empty' ? 'is empty, and was left out' : 'is no page of text, and was left out';
  } catch (error) {
    if (error instanceof UnreadableEntry) return error.message;
    throw error;
  }
}

interface Told {
  path: string;
  entry: string;
  inside: string | null;
  title: string;
  scope: Scope;
  content_type: string;
  listed: boolean | null;
  refs: Reference[];
}

/** A job: finds out what a package holds, or why it is refused. Done twice it says the same. */
export async function readPackage(services: Services, wish: { id: number }): Promise<void> {
  const found = await packageById(services.db, wish.id);
  if (found?.state !== 'waiting') return;
  try {
    await withPackage(services, found, async (collection) => {
      const pages: Told[] = [];
      for await (const text of textsOf(collection.pages, collection.troubles)) pages.push(await told(services, collection, text));
      const order = collection.kind === 'site' ? siteOrder(pages, linksOf) : pages;
      if (order.length === 0) return refusePackage(services.db, found.id, 'It holds no page that can be read.');
      const title = collection.title || order[0]!.title;
      await writing(services.db, (trx) =>
        writeFound(trx, found.id, {
          kind: collection.kind,
          title,
          files: collection.files.length,
          pages: order,
          troubles: collection.troubles.slice(0, MOST_TROUBLES),
        }),
      );
    });
  } catch (error) {
    if (!(error instanceof RefusedZip)) throw error;
    await refusePackage(services.db, found.id, REFUSALS[error.reason]);
  }
}

/** Troubles that are kept: thousands of one kind tell no more. */
const MOST_TROUBLES = 1_000;

const linksOf = ({ refs }: Told) => refs.filter(({ kind }) => kind === 'link').map(({ target }) => target);

async function told(services: Services, { kind }: Collection, { page, html }: PageText): Promise<Told> {
  const placed = { html, scope: null, title: page.title, address: page.path, neighbours: { titles: {} } };
  const { scope, title, references } = await services.engine.run('refer', { page: placed });
  return {
    path: page.path,
    entry: page.file.path,
    inside: page.inside,
    title: title || page.title || fileTitle(page.file.path),
    scope,
    content_type: contentTypeOf(page, kind),
    listed: page.listed,
    refs: references,
  };
}

function fileTitle(path: string): string {
  const name = path
    .split('/')
    .at(-1)!
    .replace(/\.[^.]+$/, '');
  return name.replace(/[-_]+/g, ' ').trim() || path;
}

const KINDS = { course: 'lesson', book: 'chapter', site: 'article' } as const;

/** What sort of page it most likely is, by where it lies. */
function contentTypeOf({ inside }: CollectionPage, kind: Collection['kind']): string {
  const holder = /^\/(\w+)/.exec(inside ?? '')?.[1];
  if (holder === 'topic') return 'discussion';
  if (holder === 'assignment') return 'assignment';
  return holder === undefined ? KINDS[kind] : 'question';
}
