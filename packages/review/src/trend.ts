import { collectionBySlug, daysOf, house, shelfSums, snapshot, writeDays, type CollectionDay } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';

/** Writes down how far every collection is, as the day's last word so far: done again, it says it anew. */
export async function noteDay(services: Services, actor: Actor): Promise<Result<null>> {
  const barred = unlessAllowed(actor, 'keep the house', 'house');
  if (barred) return barred;
  const today = dayIn((await house(services.db)).timeZone, services.now());
  await writeDays(services.db, today, await shelfSums(services.db, null, today));
  return done(null);
}

export interface Trend {
  collection: { slug: string; title: string };
  /** The first first; the last is today, as it is now. */
  days: CollectionDay[];
}

/** Days shown at most. */
const SHOWN = 120;

/** How a collection came to where it is: what stood open at the end of each day, and stands open now. */
export function trend(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<Trend>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const today = dayIn((await house(at)).timeZone, services.now());
    const before = (await daysOf(at, collection.id, SHOWN)).filter(({ day }) => day < today);
    const [now] = await shelfSums(at, [collection.id], today);
    return done({
      collection: { slug: collection.slug, title: collection.title },
      days: now ? [...before, todayOf(now, today)] : before,
    });
  });
}

function todayOf(sums: Omit<CollectionDay, 'day'>, day: string): CollectionDay {
  const { pages, held, judge, ready, must, should, consider, questions } = sums;
  return { day, pages, held, judge, ready, must, should, consider, questions };
}
