import { join } from 'node:path';
import {
  attachmentKindOf,
  contentTypeOf,
  limitsFrom,
  readCollection,
  RefusedZip,
  siteOrder,
  UnreadableDocument,
  zipSource,
  type Collection,
  type ZipRefusal,
} from '@inkwell/formats';
import {
  fileByHash,
  hashOf,
  isAway,
  packageById,
  packageOf,
  refusePackage,
  writeFound,
  writeGone,
  writePasted,
  writing,
  type FoundIn,
  type Package,
} from '@inkwell/store';
import type { Services } from '../services.ts';
import { openSent, type Opened } from './document.ts';
import { fetchToDisk, filesOfPackage, inScratch, keepFromDisk } from './files.ts';
import { openFetched } from './fetched.ts';
import { openHostPlace } from '../release/bringFrom.ts';
import { sampleOf } from './sampled.ts';
import { siteTitle } from './siteTitle.ts';
import { textsOf, type PageText } from './texts.ts';
import { comparedWith, type TextsOf } from './versions.ts';

const REFUSALS: Record<ZipRefusal, string> = {
  'not a zip': 'It is no zip archive.',
  damaged: 'Its directory is missing or damaged: it was cut short on its way, or never finished.',
  'too many entries': 'It holds more files than a collection may.',
  'too large': 'Unpacked it would be larger than a collection may be.',
  bomb: 'It unpacks to far more than a collection of pages would.',
  outside: 'It would write outside its own folder.',
};

/** Opens a kept package: its collection and a way to read its pages' texts. What reads it must be done when `work` is. */
export async function withPackage<T>(
  services: Services,
  found: Pick<Package, 'sha256'>,
  work: (collection: Collection) => Promise<T>,
): Promise<T> {
  return inScratch(async (folder) => {
    const file = join(folder, 'package');
    await fetchToDisk(services.db, (await fileByHash(services.db, found.sha256))!, file);
    return work(await readCollection(await zipSource(file, limitsFrom(process.env))));
  });
}

/** A page of a package as it is told of before it is one. */
type Told = FoundIn['pages'][number];

/**
 * A job: finds out what a package holds, or why it is refused. Done twice it says the same. `last`: nobody will try again, so it says that
 * it could not be done.
 */
export async function readPackage(services: Services, wish: { id: number; last: boolean }): Promise<void> {
  const found = await packageById(services.db, wish.id);
  if (found?.state !== 'waiting') return;
  await orGiveUp(services, found, wish.last, () =>
    inScratch(async (folder) => {
      const file = join(folder, 'package');
      if (found.wanted?.kind === 'host')
        return tellOf(services, found, await openHostPlace(services, found, found.wanted.addresses, folder));
      if (found.wanted) return tellOf(services, found, await openFetched(services, found, found.wanted, folder));
      await fetchToDisk(services.db, (await fileByHash(services.db, found.sha256))!, file);
      await tellOf(services, found, await openSent(file, found.name, folder));
    }),
  );
}

async function tellOf(services: Services, found: Package, opened: Opened): Promise<void> {
  const collection = await readCollection(opened.source);
  collection.troubles.unshift(...opened.troubles);
  const pages: Told[] = [];
  const pasted: { path: string; marks: number; html: string }[] = [];
  for await (const text of textsOf(collection.pages, collection.troubles)) {
    const one = await told(services, collection, text);
    pages.push(one.told);
    if (one.marks > 0 && pasted.length < MOST_PASTED) pasted.push({ path: text.page.path, marks: one.marks, html: text.html });
  }
  const order = collection.kind === 'site' ? siteOrder(pages, linksOf) : pages;
  if (order.length === 0) return refusePackage(services.db, found.id, 'It holds no page that can be read.');
  const { renews } = found;
  const over = renews === null ? undefined : await packageOf(services.db, renews);
  const compared = renews === null ? { pages: order, gone: [] } : await comparedWith(services, renews, order, textsIn(collection));
  // Of a newer version it is known what it cost before.
  const sample = renews === null ? await sampleOf(services, collection, order) : [];
  const sha256 = opened.made ? await keepFromDisk(services.db, opened.made.file, 'application/zip') : found.sha256;
  await writing(services.db, async (trx) => {
    await writeFound(trx, found.id, {
      kind: collection.kind,
      title: opened.title || collection.title || siteTitle(order.map(({ title }) => title)) || order[0]!.title,
      sha256,
      name: opened.made?.name ?? found.name,
      files: collection.files.length,
      pages: compared.pages,
      troubles: collection.troubles.slice(0, MOST_TROUBLES),
      attached: attachedIn(collection),
      sample,
      over: over?.id ?? null,
    });
    await writePasted(trx, found.id, pasted);
    await writeGone(trx, found.id, compared.gone);
  });
}

/** What it holds that is no page and shows on none. */
function attachedIn(collection: Collection): FoundIn['attached'] {
  const files = filesOfPackage(collection).flatMap(({ path, size }) => {
    const kind = attachmentKindOf(path);
    return kind === null ? [] : [{ path, kind, size }];
  });
  return files.slice(0, MOST_ATTACHED);
}

/** Attachments that are told before a package is accepted; afterwards all are. */
const MOST_ATTACHED = 2_000;

/** Pages with pasted markup that are kept for looking at before they come in; the others come in as they are. */
const MOST_PASTED = 500;

function textsIn(collection: Collection): TextsOf {
  return async function* (paths) {
    const pages = collection.pages.filter(({ path }) => paths.has(path));
    for await (const { page, html } of textsOf(pages, [])) yield { path: page.path, html };
  };
}

/** Refuses a package with its reason, and one that failed however often it was tried: whoever sent it does not wait for ever. */
export async function orGiveUp(services: Services, { id }: Pick<Package, 'id'>, last: boolean, work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    const refusal = error instanceof RefusedZip ? REFUSALS[error.reason] : error instanceof UnreadableDocument ? error.message : null;
    if (refusal === null && (!last || isAway(error))) throw error;
    await refusePackage(services.db, id, refusal ?? 'It met a case this server was not made for; the worker’s log has the details.');
    if (refusal === null) throw error;
  }
}

/** Troubles that are kept: thousands of one kind tell no more. */
const MOST_TROUBLES = 1_000;

const linksOf = ({ refs }: Told) => refs.filter(({ kind }) => kind === 'link').map(({ target }) => target);

/** With how many marks of pasting it carries. */
async function told(services: Services, { kind }: Collection, { page, html }: PageText): Promise<{ told: Told; marks: number }> {
  const placed = { html, scope: null, title: page.title, address: page.path, neighbours: { titles: {} } };
  const { scope, title, references, pasted } = await services.engine.run('refer', { page: placed });
  const found: Told = {
    path: page.path,
    entry: page.file.path,
    inside: page.inside,
    title: title || page.title || fileTitle(page.file.path),
    scope,
    content_type: contentTypeOf(page.inside, kind),
    listed: page.listed,
    part: [...page.part],
    refs: references,
    text_sha256: hashOf(html),
    page_id: null,
    became: 'new',
  };
  return { told: found, marks: pasted };
}

function fileTitle(path: string): string {
  const name = path
    .split('/')
    .at(-1)!
    .replace(/\.[^.]+$/, '');
  return name.replace(/[-_]+/g, ' ').trim() || path;
}
