import { carryOver, difference, editsAlong, type Step } from '@inkwell/core';
import {
  acceptPackage,
  addArrivals,
  addNewerTexts,
  baseTexts,
  displace,
  endArrival,
  house,
  isRenewing,
  knownPages,
  learnArrivals,
  lockPackage,
  lockPage,
  madeSince,
  packageById,
  packageOf,
  pageForEngine,
  placeKept,
  readAnew,
  renewPlaces,
  setBase,
  shelfSums,
  slugsLike,
  snapshot,
  SYSTEM,
  takeArrival,
  writing,
  type Arriving,
  type Package,
  type Write,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { listAttached } from '../attachments.ts';
import { examine, seenAt, type Examination, type Seen } from '../examine.ts';
import { auditJob, READ_PACKAGE } from '../jobs.ts';
import { done, refused, type Result } from '../problems.ts';
import { record } from '../record.ts';
import { dayIn, type Services } from '../services.ts';
import { arrivalsIn, enqueueArrivals, toldWithTexts } from './arrivals.ts';
import { filesOfPackage, keepAll, pathsOf, placesOf } from './files.ts';
import { withPackage } from './read.ts';

/** Says yes to a newer version of a collection, when the one it was compared with is still the newest. */
export async function acceptNewer(trx: Write, services: Services, found: Package, collectionId: number): Promise<Result<null>> {
  if (await isRenewing(trx, collectionId))
    return refused({
      code: 'conflict',
      what: 'Another newer version is coming in just now',
      kept: 'Nothing of this one was brought in.',
      next: 'Wait until it is here, and look at this one again.',
    });
  const newest = await packageOf(trx, collectionId);
  if ((newest?.id ?? null) !== found.read_over) {
    await readAnew(trx, found.id);
    await enqueue(trx, found.made_by, [{ kind: READ_PACKAGE, payload: { package: found.id }, name: `${READ_PACKAGE} ${found.id}` }]);
    return refused({
      code: 'conflict',
      what: 'Another version came in since this one was compared',
      why: 'What would come, change and go is no longer what was shown here.',
      kept: 'Nothing of this one was brought in.',
      next: 'It is being compared anew: look at it again in a moment.',
    });
  }
  const [sums] = await shelfSums(trx, [collectionId], dayIn((await house(trx)).timeZone, services.now()));
  await acceptPackage(trx, found.id, collectionId, sums ? [sums.must, sums.should, sums.consider, sums.questions] : null);
  return done(null);
}

/**
 * Puts a newer version in the place of the older one: files, places, pages that come, go and come back in one transaction; the texts that
 * changed wait to be examined, and until then each page stays as it was. Begun again it does nothing twice.
 */
export async function renew(services: Services, found: Package, collectionId: number, by: string): Promise<void> {
  const older = await filesOfOlder(services, found);
  await withPackage(services, found, async (collection) => {
    const files = await keepAll(services, collection);
    await writing(services.db, async (trx) => {
      const locked = await lockPackage(trx, found.id);
      if (locked?.state !== 'arriving' || locked.job_id !== null) return;
      await displace(trx, collectionId, older);
      await placeKept(trx, collectionId, files);
      await listAttached(trx, collectionId, by, pathsOf(collection));
      await renewPlaces(trx, found.id, collectionId);
      const slugs = await slugsLike(trx, collectionId, '');
      for await (const pages of arrivalsIn(services, found, collection, slugs)) await addArrivals(trx, collectionId, by, pages);
      const newer = toldWithTexts(services, found, collection, ({ became }) => /changed|back/.test(became));
      for await (const { texts } of newer)
        await addNewerTexts(
          trx,
          found.id,
          texts.map(({ page, html, read: { encoding, bom } }) => ({ path: page.path, html, encoding, bom })),
        );
      await enqueueArrivals(trx, found, collectionId, by);
    });
  });
  await learnArrivals(services.db);
  await whenAllHere(services, found, collectionId);
}

/** Where the files of the older version lie: a newer one takes their places, or leaves them empty. */
async function filesOfOlder(services: Services, found: Package): Promise<string[]> {
  const older = found.read_over === null ? undefined : await packageById(services.db, found.read_over);
  if (!older) return [];
  return withPackage(services, older, (collection) =>
    Promise.resolve(filesOfPackage(collection).flatMap((file) => placesOf(file, collection))),
  );
}

/** When no page of a package waits any more, it is here. Pages beside those that came, changed or went may see something else now. */
export async function whenAllHere(services: Services, found: Package, collectionId: number): Promise<void> {
  await writing(services.db, async (trx) => {
    if (!(await endArrival(trx, found.id, collectionId)) || found.renews === null) return;
    const pages = (await knownPages(trx, collectionId)).filter(({ gone }) => !gone);
    await enqueue(
      trx,
      SYSTEM,
      pages.map(({ id }) => auditJob(id)),
    );
  });
}

/** How often a page is examined anew that others changed meanwhile. */
const ATTEMPTS = 5;

/**
 * Writes a page's newer text as a revision, and behind it another in which what was mended here is made again, where the author did not
 * change the same place. `isPackaged`: whether that text is the one its newest package holds.
 */
export async function examineNewer(services: Services, actor: Actor, waiting: Arriving, isPackaged = true): Promise<void> {
  for (let attempt = 1; ; attempt++) {
    const seen = await snapshot(services.db, async (at) => {
      const found = await pageForEngine(at, { id: waiting.page_id });
      return found ? { ...(await seenAt(at, found)), ...(await stepsOf(at, found.page)) } : null;
    });
    if (!seen) return;
    const came = await examine(services, seen, waiting.html);
    const carried = await carriedOver(services, seen, waiting.html, came);
    if (await writeNewer(services, actor, seen, waiting, came, carried, isPackaged)) return;
    if (attempt >= ATTEMPTS) throw new Error(`Page ${waiting.page_id} changed each time its newer version was examined.`);
  }
}

async function stepsOf(at: Write, page: Seen['page']): Promise<{ base: string; steps: Step[] }> {
  const [base] = await baseTexts(at, [page.id]);
  const made = await madeSince(at, page.id, page.base);
  const steps = made.map(({ html, moves }) => ({
    edits: editsAlong({ edits: moves.map(([start, end, length]) => ({ start, end, text: { length } })) }, html),
    after: html,
  }));
  return { base: base!.html, steps };
}

type Carried = { html: string; many: number; examined: Examination };

/** What was mended here, on the newer text; null where nothing was, or where it would bring more to mend than it mends. */
async function carriedOver(
  services: Services,
  seen: Seen & { base: string; steps: readonly Step[] },
  html: string,
  came: Examination,
): Promise<Carried | null> {
  const { text, many } = carryOver(seen.base, seen.steps, html);
  if (many === 0 || text === html) return null;
  const examined = await examine(services, seen, text);
  return failuresIn(examined) > failuresIn(came) ? null : { html: text, many, examined };
}

/** What must or should be mended: a description that is made again brings a question, and is worth it. */
function failuresIn({ findings }: Examination): number {
  return findings.filter(({ outcome, weight }) => outcome === 'failed' && weight !== 'consider').length;
}

/** Whether nobody changed the page meanwhile: only then it is written. */
function writeNewer(
  services: Services,
  actor: Actor,
  seen: Seen,
  { html, encoding, bom }: Arriving,
  came: Examination,
  carried: Carried | null,
  isPackaged: boolean,
): Promise<boolean> {
  return writing(services.db, async (trx) => {
    const page = (await lockPage(trx, seen.page.id))!;
    if (page.head !== seen.page.head) return false;
    if (!(await takeArrival(trx, page.id))) return true;
    const moves = difference(seen.text.html, html);
    const note = 'from its newer version';
    await record(trx, services, actor, page, seen, { html, examined: came, moves, cause: 'imported', note, encoding, bom });
    if (isPackaged) await setBase(trx, page.id);
    if (!carried) return true;
    const next = (await lockPage(trx, page.id))!;
    await record(
      trx,
      services,
      actor,
      next,
      { bar: seen.bar },
      {
        html: carried.html,
        examined: carried.examined,
        moves: difference(html, carried.html),
        cause: 'fixed',
        note: `${carried.many} ${carried.many === 1 ? 'change' : 'changes'} made here, carried over`,
      },
    );
    return true;
  });
}
