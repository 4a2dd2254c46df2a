import { ENGINE_VERSION } from '@inkwell/core';
import {
  collectionBySlug,
  endExceptionsOn,
  house,
  lockAnyPage,
  pageForEngine,
  pagesOfOtherEngines,
  pagesToReopen,
  ranOut,
  snapshot,
  SYSTEM,
  writing,
  type PlacedPage,
  type Write,
} from '@inkwell/store';
import { cancelJob, enqueue, enqueueUnder, jobById, runningOf, wasCancelled, type Job } from '@inkwell/work';
import { may, unlessAllowed, type Actor } from './actor.ts';
import { chosenPages, type PagesChosen } from './chosenPages.ts';
import { decide } from './decide.ts';
import { inputsOf, seenAt } from './examine.ts';
import { AUDIT_ALL, auditJob, STROKES } from './jobs.ts';
import { done, notFound, type Result } from './problems.ts';
import { recordAgain } from './record.ts';
import { dayIn, type Services } from './services.ts';

/** How often an audit is begun again whose page changed meanwhile. */
const ATTEMPTS = 5;

/**
 * Audits a page's newest revision again, when the engine or anything it looked at has changed since. Of the same inputs and engine
 * nothing is written: done twice is done once.
 */
export async function auditAgain(services: Services, actor: Actor, wish: { pageId: number }): Promise<Result<'audited' | 'as it was'>> {
  for (let attempt = 1; ; attempt++) {
    const result = await auditOnce(services, actor, wish.pageId);
    if (result !== 'moved on') return result;
    if (attempt >= ATTEMPTS) throw new Error(`Page ${wish.pageId} changed each time while it was audited.`);
  }
}

async function auditOnce(services: Services, actor: Actor, pageId: number): Promise<Result<'audited' | 'as it was'> | 'moved on'> {
  const read = await snapshot(services.db, async (at) => {
    const found = await pageForEngine(at, { id: pageId, takenOutToo: true });
    return found ? { ...(await seenAt(at, found)), inputs: found.inputs } : null;
  });
  if (!read) return notFound('This page');
  if (!may(actor, 'keep the house', 'house')) return unlessAllowed(actor, 'keep the house', { collection: read.page.collection_id })!;
  const inputs = inputsOf(read.text);
  if (read.engine === ENGINE_VERSION && read.inputs === inputs) return done('as it was');
  const examined = await services.engine.run('examine', { page: read.text });
  return writing(services.db, async (trx) => {
    const page = await lockAnyPage(trx, pageId);
    if (!page) return notFound('This page');
    if (page.head !== read.page.head || page.audit_id !== read.page.audit_id || page.bar_id !== read.page.bar_id) return 'moved on';
    await recordAgain(trx, services, page, read, { ...examined, inputs });
    return done('audited');
  });
}

/** Pages looked at in one go. */
/** Has pages audited again that were named one by one or by a choice in the ledger. Of the same inputs the same engine says the same. */
export function auditPagesAgain(
  services: Services,
  actor: Actor,
  wish: { collection: string; pages: readonly string[] | PagesChosen },
): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, 'change a page', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const pages = await chosenPages(trx, services, collection.id, wish.pages);
    await enqueue(trx, actor.id, pages.map(auditJob));
    return done({ pages: pages.length });
  });
}

const SOME = 50;

/**
 * Opens again, as the system, what was let stand until a day that has passed. A sign-off that rested on it lapses. Gives how many pages.
 */
export async function endExceptions(services: Services, actor: Actor): Promise<Result<number>> {
  const barred = unlessAllowed(actor, 'keep the house', 'house');
  if (barred) return barred;
  const today = dayIn((await house(services.db)).timeZone, services.now());
  let many = 0;
  for (let pages = await pagesToReopen(services.db, today, SOME); pages.length > 0; pages = await pagesToReopen(services.db, today, SOME)) {
    for (const id of pages) {
      await writing(services.db, async (trx) => {
        const page = await lockAnyPage(trx, id);
        if (page) await reopen(trx, services, page);
      });
      many++;
    }
  }
  return done(many);
}

/** On a locked page: whatever ran out is open again. Whoever signs or decides sees it so already; this writes it down. */
export async function reopen(trx: Write, services: Services, page: PlacedPage): Promise<void> {
  const due = await ranOut(trx, page.id, dayIn(page.time_zone, services.now()));
  if (due.length === 0) return;
  await endExceptionsOn(
    trx,
    due.map((one) => one.id),
    SYSTEM,
    { ranOutBefore: dayIn(page.time_zone, services.now()) },
  );
  const changes = due.map(({ id, ruled }) => ({ id, standing: 'open' as const, ruled, excepted_until: null }));
  await decide(trx, page, services, changes, { by: SYSTEM, because: 'exception ran out', lapse: 'exception' });
}

/** Has every page audited again that an older engine looked at, the newest first, under one parent. Null when none is left. */
export async function auditAllAgain(services: Services, actor: Actor): Promise<Result<string | null>> {
  const barred = unlessAllowed(actor, 'keep the house', 'house');
  if (barred) return barred;
  // One such walk at a time: while it goes on, or has not been counted, no other begins.
  if ((await runningOf(services.db, AUDIT_ALL)).length > 0) return done(null);
  // Whoever cancelled it for this engine meant it: the next engine begins anew.
  const walk = { engine: ENGINE_VERSION };
  if (await wasCancelled(services.db, AUDIT_ALL, walk)) return done(null);
  const pages = await pagesOfOtherEngines(services.db, ENGINE_VERSION);
  if (pages.length === 0) return done(null);
  return done(await services.db.transaction().execute((trx) => enqueueUnder(trx, actor.id, AUDIT_ALL, pages.map(auditJob), walk)));
}

/** How far work in the background is. */
export interface Progress {
  id: string;
  what: string;
  done: number;
  total: number;
}

export async function progress(services: Services, actor: Actor): Promise<Progress[]> {
  if (!may(actor, 'see', 'house')) return [];
  const audits = (await runningOf(services.db, AUDIT_ALL)).map((job: Job) => progressOf(job, 'Auditing pages again', job.total));
  const strokes = (await runningOf(services.db, STROKES)).map((job: Job) =>
    progressOf(job, String(job.payload.what), Number(job.payload.pages)),
  );
  return [...audits, ...strokes];
}

/** A job may be about several pages. */
function progressOf({ id, done: so, total }: Job, what: string, pages: number): Progress {
  return { id, what, done: Math.floor((so * pages) / total), total: pages };
}

/** Cancels work in the background: what has not begun is left undone. */
export async function cancelWork(services: Services, actor: Actor, wish: { id: string }): Promise<Result<null>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house');
  if (barred) return barred;
  const job = await jobById(services.db, wish.id);
  if (!job) return notFound('This work');
  await cancelJob(services.db, wish.id);
  return done(null);
}
