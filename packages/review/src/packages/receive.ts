import { open } from 'node:fs/promises';
import { isMhtml, isZip } from '@inkwell/formats';
import {
  addPackage,
  becameWhat,
  collectionBySlug,
  dropCollection,
  dropPackage,
  fileByHash,
  goneWith,
  lockPackage,
  packageById,
  packagePages,
  packagesOnTheirWay,
  pastedSums,
  packageTypes,
  slugOfPackage,
  snapshot,
  writing,
  type Package,
  type PackagePage,
  type Became,
  type GonePage,
  type PackageState,
} from '@inkwell/store';
import { cancelJob, enqueue, jobById } from '@inkwell/work';
import { unlessAllowed, type ActedOn, type Actor } from '../actor.ts';
import { manyByKind } from '../attachments.ts';
import { READ_PACKAGE } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { keptTally, type Tally } from '../tally.ts';
import { keepFromDisk } from './files.ts';

/** Largest package taken in, in bytes. */
export const LARGEST_PACKAGE = 2_000_000_000;

export interface SentPackage {
  name: string;
  file: string;
  /** The collection it is a newer version of, by its address; none for one of its own. */
  newerOf?: string | undefined;
}

/** Takes a package that was sent and has it read in the background. Nothing of it is a page yet. Gives its number. */
export async function receivePackage(services: Services, actor: Actor, sent: SentPackage): Promise<Result<number>> {
  const renewed = sent.newerOf === undefined ? null : await collectionBySlug(services.db, sent.newerOf);
  if (renewed === undefined || renewed?.arrived_at === null) return notFound('This collection');
  const barred = unlessAllowed(actor, 'bring in', renewed ? { collection: renewed.id } : 'house', 'This collection');
  if (barred) return barred;
  if (!(await isZip(sent.file)) && !isMhtml(await headOf(sent.file)))
    return refused({
      code: 'bad-page',
      what: 'This file is no package',
      why: 'A package is a zip of a site, a course package, an EPUB, a word-processor document (.docx) or a page saved as one file (.mhtml); this begins otherwise, or was cut short.',
      kept: 'Nothing was brought in, and nothing already here was touched.',
      next: 'Choose the package itself, or bring one page into a collection.',
    });
  const sha256 = await keepFromDisk(services.db, sent.file, 'application/zip');
  const id = await writing(services.db, async (trx) => {
    const made = await addPackage(trx, { name: sent.name, sha256, made_by: actor.id, renews: renewed?.id ?? null });
    await enqueue(trx, actor.id, [{ kind: READ_PACKAGE, payload: { package: made }, name: `${READ_PACKAGE} ${made}` }]);
    return made;
  });
  return done(id);
}

/** Bytes by which the kind of a file is told. */
const HEAD = 4_096;

async function headOf(file: string): Promise<Uint8Array> {
  const handle = await open(file, 'r');
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(HEAD), 0, HEAD, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
}

export interface PackageView {
  id: number;
  name: string;
  size: number;
  state: PackageState;
  problem: string | null;
  kind: Package['kind'];
  title: string;
  files: number;
  pages: number;
  troubles: { path: string; what: string }[];
  types: { type: string; many: number }[];
  /** What it holds that is no page: nobody looks inside by looking at a page. */
  attached: { kinds: { kind: string; many: number }[]; files: Package['attached'] };
  /** Of its pages those that carry pasted markup, and what was said of them. */
  pasted: { pages: number; toClean: number; toLeave: number };
  /** A part of its pages, in reading order. */
  shown: Pick<PackagePage, 'position' | 'path' | 'title' | 'scope' | 'content_type' | 'listed' | 'became'>[];
  /** The position behind which more follow; null when these are the last. */
  next: number | null;
  /** How many of its pages have been examined, while they arrive. */
  progress: { done: number; total: number } | null;
  /** The address of its collection, once all is here; of a newer version from the beginning. */
  collection: string | null;
  /** Of a newer version: how many pages became what, and those it no longer holds. */
  newer: { became: Partial<Record<Became | 'gone', number>>; gone: GonePage[]; openBefore: Tally | null } | null;
}

/** Pages of a package shown at once. */
export const PACKAGE_PAGES = 100;
/** Pages that went, shown at most. */
const GONE_PAGES = 200;

export interface PackageWish {
  id: number;
  /** The position behind which its pages are shown. */
  after: number;
  /** Only those of a newer version that became this. */
  became?: Became | undefined;
}

/** A package as it stands: on its way to be read, waiting for a word, arriving or here. */
export async function showPackage(services: Services, actor: Actor, wish: PackageWish): Promise<Result<PackageView>> {
  return snapshot(services.db, async (at) => {
    const found = await packageById(at, wish.id);
    if (!found) return notFound('This package');
    const barred = unlessAllowed(actor, 'bring in', reachOf(found), 'This package');
    if (barred) return barred;
    const pages = await packagePages(at, found.id, { ...wish, limit: PACKAGE_PAGES + 1 });
    const job = found.job_id === null ? null : await jobById(at, found.job_id);
    const became = found.renews === null ? {} : await becameWhat(at, found.id);
    const reached = found.renews ?? (found.state === 'here' ? found.collection_id : null);
    const collection = reached === null ? undefined : await slugOfPackage(at, reached);
    const examined = found.renews === null ? found.pages : found.pages - (became['as it was'] ?? 0) - (became.moved ?? 0);
    const { id, name, state, problem, kind, title, files, pages: many, troubles, attached } = found;
    return done({
      id,
      name,
      size: (await fileByHash(at, found.sha256))?.size ?? 0,
      state,
      problem,
      kind,
      title,
      files,
      pages: many,
      troubles,
      attached: { kinds: manyByKind(attached), files: attached },
      pasted: await pastedSums(at, id),
      types: await packageTypes(at, id),
      shown: pages.slice(0, PACKAGE_PAGES).map(({ position, path, title: called, scope, content_type, listed, became: what }) => ({
        position,
        path,
        title: called,
        scope,
        content_type,
        listed,
        became: what,
      })),
      next: pages.length > PACKAGE_PAGES ? pages[PACKAGE_PAGES - 1]!.position : null,
      progress: job ? { done: Math.min(examined, job.done * PAGES_IN_JOB), total: examined } : null,
      collection: collection ?? null,
      newer: found.renews === null ? null : { became, gone: await goneWith(at, id, GONE_PAGES), openBefore: keptTally(found.open_before) },
    });
  });
}

/** What a package acts on: the house, or the collection it is a newer version of. */
export function reachOf({ renews }: Package): ActedOn {
  return renews === null ? 'house' : { collection: renews };
}

/** Pages examined in one job: few enough for a cancel to be felt, many enough for the queue not to be. */
export const PAGES_IN_JOB = 8;

/** What somebody has sent and not finished with, the newest first. */
export async function packagesOf(services: Services, actor: Actor): Promise<Pick<Package, 'id' | 'name' | 'state' | 'title'>[]> {
  return (await packagesOnTheirWay(services.db, actor.id, 10)).map(({ id, name, state, title }) => ({ id, name, state, title }));
}

/** Sends a package away, whatever stage it is at: what has come of it so far goes too. One that is all here is a collection, and stays. */
export async function dismissPackage(services: Services, actor: Actor, wish: { id: number }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const found = await lockPackage(trx, wish.id);
    if (!found) return notFound('This package');
    const barred = unlessAllowed(actor, 'bring in', reachOf(found), 'This package');
    if (barred) return barred;
    if (found.state === 'here')
      return refused({
        code: 'nothing-to-do',
        what: 'This package is all here',
        why: 'Its last page came in just now.',
        kept: 'It is on the shelf.',
      });
    if (found.state === 'arriving' && found.renews !== null)
      return refused({
        code: 'nothing-to-do',
        what: 'A newer version that was accepted comes in whole',
        why: 'Half of it would be neither the older version nor the newer one.',
        kept: 'It goes on. Each page keeps its older texts as revisions.',
      });
    if (found.job_id !== null) await cancelJob(trx, found.job_id);
    if (found.collection_id !== null && found.renews === null) await dropCollection(trx, found.collection_id);
    else await dropPackage(trx, found.id);
    return done(null);
  });
}
