import { isZip } from '@inkwell/formats';
import {
  addPackage,
  dropCollection,
  dropPackage,
  fileByHash,
  lockPackage,
  packageById,
  packagePages,
  packagesOnTheirWay,
  packageTypes,
  slugOfPackage,
  snapshot,
  writing,
  type Package,
  type PackagePage,
  type PackageState,
} from '@inkwell/store';
import { cancelJob, enqueue, jobById } from '@inkwell/work';
import { unlessAllowed, type Actor } from '../actor.ts';
import { READ_PACKAGE } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { keepFromDisk } from './files.ts';

/** Largest package taken in, in bytes. */
export const LARGEST_PACKAGE = 2_000_000_000;

/** Takes a package that was sent and has it read in the background. Nothing of it is a page yet. Gives its number. */
export async function receivePackage(services: Services, actor: Actor, sent: { name: string; file: string }): Promise<Result<number>> {
  const barred = unlessAllowed(actor, 'bring in', 'house');
  if (barred) return barred;
  if (!(await isZip(sent.file)))
    return refused({
      code: 'bad-page',
      what: 'This file is no package',
      why: 'A package is a zip of a site, a course package or an EPUB; this begins otherwise, or was cut short.',
      kept: 'Nothing was brought in, and nothing already here was touched.',
      next: 'Choose the package itself, or bring one page into a collection.',
    });
  const sha256 = await keepFromDisk(services.db, sent.file, 'application/zip');
  const id = await writing(services.db, async (trx) => {
    const made = await addPackage(trx, { name: sent.name, sha256, made_by: actor.id });
    await enqueue(trx, actor.id, [{ kind: READ_PACKAGE, payload: { package: made }, name: `${READ_PACKAGE} ${made}` }]);
    return made;
  });
  return done(id);
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
  /** A part of its pages, in reading order. */
  shown: Pick<PackagePage, 'position' | 'path' | 'title' | 'scope' | 'content_type' | 'listed'>[];
  /** The position behind which more follow; null when these are the last. */
  next: number | null;
  /** How many of its pages have been examined, while they arrive. */
  progress: { done: number; total: number } | null;
  /** The address of its collection, once all is here. */
  collection: string | null;
}

/** Pages of a package shown at once. */
export const PACKAGE_PAGES = 100;

/** A package as it stands: on its way to be read, waiting for a word, arriving or here. */
export async function showPackage(services: Services, actor: Actor, wish: { id: number; after: number }): Promise<Result<PackageView>> {
  return snapshot(services.db, async (at) => {
    const found = await packageById(at, wish.id);
    if (!found) return notFound('This package');
    const barred = unlessAllowed(actor, 'bring in', 'house', 'This package');
    if (barred) return barred;
    const pages = await packagePages(at, found.id, wish.after, PACKAGE_PAGES + 1);
    const job = found.job_id === null ? null : await jobById(at, found.job_id);
    const collection = found.state === 'here' && found.collection_id !== null ? await slugOfPackage(at, found.collection_id) : undefined;
    const { id, name, state, problem, kind, title, files, pages: many, troubles } = found;
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
      types: await packageTypes(at, id),
      shown: pages.slice(0, PACKAGE_PAGES).map(({ position, path, title: called, scope, content_type, listed }) => ({
        position,
        path,
        title: called,
        scope,
        content_type,
        listed,
      })),
      next: pages.length > PACKAGE_PAGES ? pages[PACKAGE_PAGES - 1]!.position : null,
      progress: job ? { done: Math.min(many, job.done * PAGES_IN_JOB), total: many } : null,
      collection: collection ?? null,
    });
  });
}

/** Pages examined in one job: few enough for a cancel to be felt, many enough for the queue not to be. */
export const PAGES_IN_JOB = 8;

/** What somebody has sent and not finished with, the newest first. */
export async function packagesOf(services: Services, actor: Actor): Promise<Pick<Package, 'id' | 'name' | 'state' | 'title'>[]> {
  return (await packagesOnTheirWay(services.db, actor.id, 10)).map(({ id, name, state, title }) => ({ id, name, state, title }));
}

/** Sends a package away, whatever stage it is at: what has come of it so far goes too. One that is all here is a collection, and stays. */
export async function dismissPackage(services: Services, actor: Actor, wish: { id: number }): Promise<Result<null>> {
  const barred = unlessAllowed(actor, 'bring in', 'house', 'This package');
  if (barred) return barred;
  return writing(services.db, async (trx) => {
    const found = await lockPackage(trx, wish.id);
    if (!found) return notFound('This package');
    if (found.state === 'here')
      return refused({
        code: 'nothing-to-do',
        what: 'This package is all here',
        why: 'Its last page came in just now.',
        kept: 'It is on the shelf.',
      });
    if (found.job_id !== null) await cancelJob(trx, found.job_id);
    if (found.collection_id !== null) await dropCollection(trx, found.collection_id);
    else await dropPackage(trx, found.id);
    return done(null);
  });
}
