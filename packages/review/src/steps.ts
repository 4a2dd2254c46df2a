import { STEPS, type StepId } from '@inkwell/core';
import {
  collectionBySlug,
  house,
  ledgerSums,
  lockPage,
  setLookedAt,
  snapshot,
  stepSums,
  walkLines,
  writing,
  type Looked,
  type WalkLine,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';

/** A page of the walk: for each step what stands open, and who looked at it. */
export interface WalkPage {
  slug: string;
  title: string;
  revision: number;
  steps: Record<StepId, { open: number; looked: Looked[] }>;
}

export interface Walk {
  collection: { slug: string; title: string };
  pages: number;
  steps: { id: StepId; name: string; open: number; looked: number; next: string | null }[];
  shown: WalkPage[];
  /** Where the next pages begin; null when there are no more. */
  after: string | null;
}

/** Pages of a walk shown at one time. */
const WALK_PAGES = 100;

/** The walk through a collection in the order practitioners work: what is open in each step, and what has been looked at. */
export function walk(services: Services, actor: Actor, wish: { collection: string; after?: string | undefined }): Promise<Result<Walk>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const after = /^(\d{1,9})-(\d{1,9})$/.exec(wish.after ?? '');
    const lines = await walkLines(at, collection.id, after && [Number(after[1]), Number(after[2])], WALK_PAGES + 1);
    const sums = await ledgerSums(at, collection.id, { order: 'position', limit: 1 }, dayIn((await house(at)).timeZone, services.now()));
    const far = new Map(
      (
        await stepSums(
          at,
          collection.id,
          actor.id,
          STEPS.map(({ id }) => id),
        )
      ).map((sum) => [sum.step, sum]),
    );
    const last = lines[WALK_PAGES - 1];
    return done({
      collection: { slug: collection.slug, title: collection.title },
      pages: sums.pages,
      steps: STEPS.map(({ id, name, families }) => ({
        id,
        name,
        open: families.reduce((sum, family) => sum + (sums.families[family] ?? 0), 0),
        looked: far.get(id)?.looked ?? 0,
        next: far.get(id)?.next ?? null,
      })),
      shown: lines.slice(0, WALK_PAGES).map(walkPage),
      after: lines.length > WALK_PAGES && last ? `${last.position}-${last.id}` : null,
    });
  });
}

function walkPage({ slug, title, head, open, looked }: WalkLine): WalkPage {
  const steps = STEPS.map(({ id, families }) => [
    id,
    { open: families.reduce((sum, family) => sum + (open[family] ?? 0), 0), looked: looked.filter(({ step }) => step === id) },
  ]);
  return { slug, title, revision: head, steps: Object.fromEntries(steps) as WalkPage['steps'] };
}

/** Says that somebody has looked at a step of a page as it is now, whether or not anything was found; or takes that back. */
export function lookAt(services: Services, actor: Actor, wish: { pageId: number; step: StepId; looked: boolean }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const page = await lockPage(trx, wish.pageId);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'change a page', { collection: page.collection_id });
    if (barred) return barred;
    await setLookedAt(trx, { page: page.id, step: wish.step, person: actor.id, revision: page.head }, wish.looked);
    return done(null);
  });
}
