import { forecast, type Forecast } from '@inkwell/core';
import {
  collectionBySlug,
  daysOf,
  house,
  ledgerSums,
  returnedByWeek,
  shelfSums,
  snapshot,
  writeDays,
  type CollectionDay,
  type ReturnedInWeek,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { costOf, houseEffort } from './effort.ts';
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
  /** When nothing will be open any more, at the pace of the last weeks; null while that cannot be told. */
  forecast: Forecast | null;
  /** What is open now takes so many hours. */
  hours: { from: number; to: number };
  returned: ReturnedInWeek[];
}

/** Weeks of what came back. */
const WEEKS = 12;

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
    const days = now ? [...before, todayOf(now, today)] : before;
    const { families } = await ledgerSums(at, collection.id, { order: 'position', limit: 0 }, today);
    const { from, to } = costOf(await houseEffort(services, at), await house(at), families);
    return done({
      collection: { slug: collection.slug, title: collection.title },
      days,
      forecast: forecast(days.map(({ day, must, should, consider, questions }) => ({ day, open: must + should + consider + questions }))),
      hours: { from, to },
      returned: await returnedByWeek(at, collection.id, WEEKS),
    });
  });
}

function todayOf(sums: Omit<CollectionDay, 'day'>, day: string): CollectionDay {
  const { pages, held, judge, ready, must, should, consider, questions } = sums;
  return { day, pages, held, judge, ready, must, should, consider, questions };
}
