import { open } from 'node:fs/promises';
import { isMhtml, isZip } from '@inkwell/formats';
import {
  addPackage,
  collectionBySlug,
  dropCollection,
  dropPackage,
  lockPackage,
  packagesOnTheirWay,
  writing,
  type Package,
} from '@inkwell/store';
import { cancelJob, enqueue } from '@inkwell/work';
import { unlessAllowed, type ActedOn, type Actor } from '../actor.ts';
import { READ_PACKAGE } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
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
  const into = await mayReceive(services, actor, sent.newerOf);
  if (!into.ok) return into;
  if (!(await isZip(sent.file)) && !isMhtml(await headOf(sent.file)))
    return refused({
      code: 'bad-page',
      what: 'This file is no package',
      why: 'A package is a zip of a site, a course package, an EPUB, a word-processor document (.docx) or a page saved as one file (.mhtml); this begins otherwise, or was cut short.',
      kept: 'Nothing was brought in, and nothing already here was touched.',
      next: 'Choose the package itself, or bring one page into a collection.',
    });
  const sha256 = await keepFromDisk(services.db, sent.file, 'application/zip');
  return done(await waitToBeRead(services, { name: sent.name, sha256, made_by: actor.id, renews: into.value }));
}

/** Whether somebody may bring a package in; gives the number of the collection it is a newer version of, null for one of its own. */
export async function mayReceive(services: Services, actor: Actor, newerOf: string | undefined): Promise<Result<number | null>> {
  const renewed = newerOf === undefined ? null : await collectionBySlug(services.db, newerOf);
  if (renewed === undefined || renewed?.arrived_at === null) return notFound('This collection');
  const barred = unlessAllowed(actor, 'bring in', renewed ? { collection: renewed.id } : 'house', 'This collection');
  return barred ?? done(renewed?.id ?? null);
}

/** Has a package read in the background, and gives its number. */
export async function waitToBeRead(services: Services, received: Parameters<typeof addPackage>[1]): Promise<number> {
  return writing(services.db, async (trx) => {
    const made = await addPackage(trx, received);
    await enqueue(trx, received.made_by, [{ kind: READ_PACKAGE, payload: { package: made }, name: `${READ_PACKAGE} ${made}` }]);
    return made;
  });
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
