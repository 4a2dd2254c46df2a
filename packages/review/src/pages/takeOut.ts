import { bringPagesBack, pagesNaming, pagesOut, snapshot, SYSTEM, takePagesOut, writing, type Write } from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { chosenPages, type PagesChosen } from '../chosenPages.ts';
import { auditJob } from '../jobs.ts';
import { inCollection } from '../inCollection.ts';
import { done, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** Pages told at once. */
const SOME = 100;

export interface OutView {
  slug: string;
  title: string;
  address: string;
  at: string;
  /** Who took it out; null for one that the newest version no longer holds. */
  by: string | null;
}

/** Takes pages out of their collection: they are nowhere to be seen, and can be brought back with all that was done to them. */
export function takePages(
  services: Services,
  actor: Actor,
  wish: { collection: string; pages: readonly string[] | PagesChosen },
): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const found = await inCollection(trx, actor, 'bring in', wish.collection);
    if (!found.ok) return found;
    const gone = await takePagesOut(trx, await chosenPages(trx, services, found.value.id, wish.pages), actor.id);
    await lookAtNeighbours(trx, found.value.id, gone);
    return done({ pages: gone.length });
  });
}

/** Brings pages that were taken out back, each where it stood. */
export function bringPages(
  services: Services,
  actor: Actor,
  wish: { collection: string; pages: readonly string[] },
): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const found = await inCollection(trx, actor, 'bring in', wish.collection);
    if (!found.ok) return found;
    const back = await bringPagesBack(trx, found.value.id, wish.pages);
    await enqueue(
      trx,
      SYSTEM,
      back.map(({ id }) => auditJob(id)),
    );
    await lookAtNeighbours(trx, found.value.id, back);
    return done({ pages: back.length });
  });
}

/** Pages of a collection that can be brought back, the latest first. */
export function pagesTakenOut(
  services: Services,
  actor: Actor,
  wish: { collection: string; skip: number },
): Promise<Result<{ pages: OutView[]; more: boolean }>> {
  return snapshot(services.db, async (at) => {
    const found = await inCollection(at, actor, 'see', wish.collection);
    if (!found.ok) return found;
    const out = await pagesOut(at, found.value.id, wish.skip, SOME + 1);
    const pages = out.slice(0, SOME).map(({ gone_at, ...page }) => ({ ...page, at: gone_at.toISOString() }));
    return done({ pages, more: out.length > SOME });
  });
}

/** Pages that lead to others, or are called like them, see something else once those come or go. */
async function lookAtNeighbours(trx: Write, collectionId: number, changed: readonly { address: string; title: string }[]): Promise<void> {
  const near = await pagesNaming(trx, collectionId, 0, {
    links: changed.map(({ address }) => address),
    titles: changed.map(({ title }) => title),
  });
  await enqueue(trx, SYSTEM, near.map(auditJob));
}
