import {
  acceptPackage,
  addArrivals,
  addConnection,
  addCollection,
  arrivingAmong,
  barFor,
  collectionSlugsLike,
  dropArrivals,
  isAway,
  learnArrivals,
  leaveOut,
  lockPackage,
  lockPage,
  packageById,
  personById,
  placeKept,
  referencesOf,
  retypePages,
  takeArrival,
  toClean,
  writing,
  type Arriving,
  type Bar,
  type Package,
  type Write,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { THE_SYSTEM, unlessAllowed, type Actor } from '../actor.ts';
import { listAttached } from '../attachments.ts';
import { firstFree, slugOf } from '../bringIn.ts';
import { inputsOf, placed, type Examination } from '../examine.ts';
import { neighboursOf } from '../neighbours.ts';
import { UNPACK } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { record } from '../record.ts';
import type { Services } from '../services.ts';
import { arrivalsIn, enqueueArrivals } from './arrivals.ts';
import { keepAll, pathsOf } from './files.ts';
import { orGiveUp, withPackage } from './read.ts';
import { cleanedText, recordCleaned, type AtTheDoor } from './door.ts';
import { acceptNewer, examineNewer, renew, whenAllHere } from './renew.ts';

export interface Accept {
  id: number;
  title: string;
  /** Content types that pages are given in place of what was guessed. */
  types: Readonly<Record<string, string>>;
}

/** Says yes to a package: it becomes a collection, or the newer version of one, whose pages arrive in the background. */
export async function acceptIntoShelf(services: Services, actor: Actor, wish: Accept): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const found = await lockPackage(trx, wish.id);
    if (!found) return notFound('This package');
    const barred = unlessAllowed(actor, 'bring in', found.renews === null ? 'house' : { collection: found.renews }, 'This package');
    if (barred) return barred;
    if (found.state !== 'read')
      return refused({
        code: 'nothing-to-do',
        what: found.state === 'waiting' ? 'This package has not been read yet' : 'This package has been accepted already',
        kept: 'Nothing was changed.',
      });
    await retypePages(trx, found.id, wish.types);
    const accepted =
      found.renews === null ? await newCollection(trx, found, wish.title) : await acceptNewer(trx, services, found, found.renews);
    if (!accepted.ok) return accepted;
    await enqueue(trx, actor.id, [{ kind: UNPACK, payload: { package: found.id }, name: `${UNPACK} ${found.id}` }]);
    return done(null);
  });
}

async function newCollection(trx: Write, found: Package, wished: string): Promise<Result<null>> {
  const title = wished.trim() || found.title;
  const slug = firstFree(slugOf(title), await collectionSlugsLike(trx, slugOf(title)));
  const scope = found.kind === 'course' ? 'fragment' : 'document';
  const collection = await addCollection(trx, { slug, title, kind: found.kind ?? 'site', scope, arrived_at: null });
  await acceptPackage(trx, found.id, collection);
  // What came from a host goes back there; it is looked for changes once all of it is here.
  if (found.wanted?.kind === 'host') {
    const [host, place] = found.wanted.addresses;
    await addConnection(trx, { collection_id: collection, host_id: Number(host), place: place!, made_by: found.made_by });
  }
  return done(null);
}

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
  if (found.renews !== null) return renew(services, found, collectionId, by);
  await withPackage(services, found, async (collection) => {
    await writing(services.db, (trx) => dropArrivals(trx, collectionId));
    const files = await keepAll(services, collection);
    await writing(services.db, async (trx) => {
      await placeKept(trx, collectionId, files);
      await listAttached(trx, collectionId, by, pathsOf(collection));
    });
    for await (const pages of arrivalsIn(services, found, collection, new Set()))
      await writing(services.db, (trx) => addArrivals(trx, collectionId, by, pages));
    await learnArrivals(services.db);
  });
  await writing(services.db, async (trx) => {
    const locked = await lockPackage(trx, found.id);
    if (locked?.state === 'arriving' && locked.job_id === null) await enqueueArrivals(trx, found, collectionId, by);
  });
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
  const barOf = ({ collection_id: collection, content_type: type }: Arriving) => {
    if (!bars.has(type)) bars.set(type, barFor(services.db, collection, type));
    return bars.get(type)!;
  };
  const arriving = await arrivingAmong(services.db, wish.pages);
  const said = await toClean(
    services.db,
    found.id,
    arriving.map(({ address }) => address),
  );
  for (const page of arriving) {
    try {
      await examineArrival(services, actor, page, await barOf(page), said.get(page.address));
    } catch (error) {
      if (!wish.last || isAway(error)) throw error;
      await writing(services.db, (trx) => leaveOut(trx, found.id, page, reasonOf(error)));
    }
  }
  await whenAllHere(services, found, found.collection_id);
}

/** Why a page could not be examined, short enough to be told beside it. */
const reasonOf = (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, 300);

/** Writes a page that arrived as its first revision, just as it came; cleaned at the door, where that was said, as its second. */
async function examineArrival(services: Services, actor: Actor, waiting: Arriving, bar: Bar, door?: AtTheDoor): Promise<void> {
  if (waiting.head > 0) return examineNewer(services, actor, waiting);
  const place = { ...waiting, id: waiting.page_id };
  const references = await referencesOf(services.db, place.id);
  const text = placed(place, waiting.html, await neighboursOf(services.db, place, references, bar.vocabulary));
  const examined: Examination = { ...(await services.engine.run('examine', { page: text })), inputs: inputsOf(text) };
  const cleaned = door ? await cleanedText(services, text, door) : null;
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
    if (!cleaned) return;
    await recordCleaned(trx, services, actor, { id: place.id, bar, html }, cleaned);
  });
}
