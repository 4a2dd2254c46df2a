import { FILE_BASE_FOLDER } from '@inkwell/core';
import {
  acceptPackage,
  addArrivals,
  addCollection,
  arrivalsOf,
  arrivingAmong,
  barFor,
  collectionSlugsLike,
  dropArrivals,
  endArrival,
  isAway,
  learnArrivals,
  leaveOut,
  lockPackage,
  lockPage,
  packageById,
  packageTexts,
  personById,
  placeFiles,
  placeKept,
  referencesOf,
  retypePages,
  setPackageJob,
  takeArrival,
  writing,
  type Arrival,
  type Bar,
  type NewFile,
  type Package,
  type PackageText,
} from '@inkwell/store';
import { enqueue, enqueueUnder, type NewJob } from '@inkwell/work';
import { readInParts, readPlace, UnreadableEntry, type Collection } from '@inkwell/formats';
import { THE_SYSTEM, unlessAllowed, type Actor } from '../actor.ts';
import { firstFree, slugOf } from '../bringIn.ts';
import { inputsOf, placed, type Examination } from '../examine.ts';
import { neighboursOf } from '../neighbours.ts';
import { ARRIVE, BRING_IN, UNPACK } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { record } from '../record.ts';
import type { Services } from '../services.ts';
import { keepLong } from './files.ts';
import { mediaTypeOf } from './mediaTypes.ts';
import { orGiveUp, textsOf, withPackage } from './read.ts';
import { PAGES_IN_JOB } from './receive.ts';

export interface Accept {
  id: number;
  title: string;
  /** Content types that pages are given in place of what was guessed. */
  types: Readonly<Record<string, string>>;
}

/** Says yes to a package: it becomes a collection, whose pages arrive in the background. */
export async function acceptIntoShelf(services: Services, actor: Actor, wish: Accept): Promise<Result<null>> {
  const barred = unlessAllowed(actor, 'bring in', 'house', 'This package');
  if (barred) return barred;
  return writing(services.db, async (trx) => {
    const found = await lockPackage(trx, wish.id);
    if (!found) return notFound('This package');
    if (found.state !== 'read')
      return refused({
        code: 'nothing-to-do',
        what: found.state === 'waiting' ? 'This package has not been read yet' : 'This package has been accepted already',
        kept: 'Nothing was changed.',
      });
    const title = wish.title.trim() || found.title;
    const slug = firstFree(slugOf(title), await collectionSlugsLike(trx, slugOf(title)));
    await retypePages(trx, found.id, wish.types);
    const scope = found.kind === 'course' ? 'fragment' : 'document';
    const collection = await addCollection(trx, { slug, title, kind: found.kind ?? 'site', scope, arrived_at: null });
    await acceptPackage(trx, found.id, collection);
    await enqueue(trx, actor.id, [{ kind: UNPACK, payload: { package: found.id }, name: `${UNPACK} ${found.id}` }]);
    return done(null);
  });
}

/** Pages written in one transaction. */
const TOGETHER = 100;

/**
 * A job: puts a package's files and its pages' texts in place, and has the pages examined. Begun again it begins anew; once the pages
 * wait to be examined, nothing more is to be done. `last`: nobody will try again, so it says that it could not be done.
 */
export async function unpackPackage(services: Services, wish: { id: number; by: string; last: boolean }): Promise<void> {
  const found = await packageById(services.db, wish.id);
  if (found?.state !== 'arriving' || found.collection_id === null || found.job_id !== null) return;
  const collectionId = found.collection_id;
  await orGiveUp(services, found, wish.last, () => unpack(services, found, collectionId, wish.by));
}

async function unpack(services: Services, found: Package, collectionId: number, by: string): Promise<void> {
  await withPackage(services, found, async (collection) => {
    await writing(services.db, (trx) => dropArrivals(trx, collectionId));
    await placeAll(services, collectionId, collection);
    await addPages(services, found, collection, by);
    await learnArrivals(services.db);
  });
  await writing(services.db, async (trx) => {
    const locked = await lockPackage(trx, found.id);
    if (locked?.state !== 'arriving' || locked.job_id !== null) return;
    const jobs = inJobs(found.id, await arrivalsOf(trx, collectionId));
    await setPackageJob(trx, found.id, await enqueueUnder(trx, by, BRING_IN, jobs, { package: found.id, title: found.title }));
  });
}

function inJobs(id: number, pages: readonly number[]): NewJob[] {
  const jobs: NewJob[] = [];
  for (let at = 0; at < pages.length; at += PAGES_IN_JOB)
    jobs.push({ kind: ARRIVE, payload: { package: id, pages: pages.slice(at, at + PAGES_IN_JOB) } });
  return jobs;
}

/** Bytes of files placed in one transaction; a file that is longer is never held whole. */
const PLACED_TOGETHER = 8_000_000;

/** A file at its place, and in a course at the place its pages call it by, where that is another. */
function placesOf({ path }: { path: string }, collection: Collection): string[] {
  const elsewhere = collection.kind === 'course' && !collection.files.some((file) => file.path.startsWith(`${FILE_BASE_FOLDER}/`));
  return elsewhere ? [path, `${FILE_BASE_FOLDER}/${path}`] : [path];
}

/** Puts the files of a package in place. What cannot be read is left out: pages that show it say that it is missing. */
async function placeAll(services: Services, collectionId: number, collection: Collection): Promise<void> {
  const pages = new Set(collection.pages.filter((page) => page.inside === null).map((page) => page.path));
  let [together, bytes]: [NewFile[], number] = [[], 0];
  const place = async () => {
    await writing(services.db, (trx) => placeFiles(trx, collectionId, together));
    [together, bytes] = [[], 0];
  };
  for (const file of collection.files.filter(({ path }) => !pages.has(path))) {
    const paths = placesOf(file, collection);
    try {
      if (file.size > PLACED_TOGETHER) {
        const long = { mediaType: mediaTypeOf(file.path), size: file.size, parts: () => readInParts(file.place) };
        await keepLong(services.db, long, (trx, sha256) => placeKept(trx, collectionId, paths, sha256));
      } else {
        const content = await readPlace(file.place, PLACED_TOGETHER);
        for (const path of paths) together.push({ path, mediaType: mediaTypeOf(path), bytes: content });
        bytes += content.length;
      }
    } catch (error) {
      if (!(error instanceof UnreadableEntry)) throw error;
    }
    if (bytes >= PLACED_TOGETHER || together.length >= TOGETHER) await place();
  }
  await place();
}

async function addPages(services: Services, found: Package, collection: Collection, by: string): Promise<void> {
  const slugs = new Set<string>();
  for (let after = 0; ;) {
    const told = await packageTexts(services.db, found.id, after, TOGETHER);
    if (told.length === 0) return;
    after = told.at(-1)!.position;
    const byPath = new Map(told.map((one) => [one.path, one]));
    const arrivals: Arrival[] = [];
    for await (const { page, read, html } of textsOf(
      collection.pages.filter(({ path }) => byPath.has(path)),
      [],
    ))
      arrivals.push(arrivalOf(byPath.get(page.path)!, slugs, { html, encoding: read.encoding, bom: read.bom }));
    await writing(services.db, (trx) => addArrivals(trx, found.collection_id!, by, arrivals));
  }
}

function arrivalOf(told: PackageText, slugs: Set<string>, text: Pick<Arrival, 'html' | 'encoding' | 'bom'>): Arrival {
  const { path, entry, inside, title, scope, content_type, position, refs } = told;
  const slug = firstFree(slugOf(title), slugs);
  slugs.add(slug);
  return { slug, title, scope, content_type, address: path, position, entry, inside, references: refs, ...text };
}

/**
 * A job: examines pages that have arrived, each once. When the last one is done, the collection is here. `last`: nobody will try again, so
 * a page that cannot be examined is left out and told.
 */
export async function examineArrivals(
  services: Services,
  wish: { package: number; pages: readonly number[]; by: string; last: boolean },
): Promise<void> {
  const found = await packageById(services.db, wish.package);
  if (!found || found.collection_id === null) return;
  const actor = (await personById(services.db, wish.by)) ?? THE_SYSTEM;
  const bars = new Map<string, Promise<Bar>>();
  const barOf = ({ collection_id: collection, content_type: type }: Waiting) => {
    if (!bars.has(type)) bars.set(type, barFor(services.db, collection, type));
    return bars.get(type)!;
  };
  for (const page of await arrivingAmong(services.db, wish.pages)) {
    try {
      await examineArrival(services, actor, page, await barOf(page));
    } catch (error) {
      if (!wish.last || isAway(error)) throw error;
      await writing(services.db, (trx) => leaveOut(trx, found.id, page));
    }
  }
  await writing(services.db, (trx) => endArrival(trx, found.collection_id!));
}

type Waiting = Awaited<ReturnType<typeof arrivingAmong>>[number];

async function examineArrival(services: Services, actor: Actor, waiting: Waiting, bar: Bar): Promise<void> {
  const place = { ...waiting, id: waiting.page_id };
  const references = await referencesOf(services.db, place.id);
  const text = placed(place, waiting.html, await neighboursOf(services.db, place, references, bar.vocabulary));
  const examined: Examination = { ...(await services.engine.run('examine', { page: text })), inputs: inputsOf(text) };
  await writing(services.db, async (trx) => {
    const page = await lockPage(trx, place.id);
    if (!page || !(await takeArrival(trx, place.id))) return;
    const { html, encoding, bom } = waiting;
    await record(
      trx,
      services,
      actor,
      page,
      { bar, references },
      { html, examined, cause: 'imported', note: 'from its package', encoding, bom },
    );
  });
}
