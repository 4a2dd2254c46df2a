import {
  changeCollection,
  clearTakenOut,
  collectionBySlug,
  hangingOn,
  lockCollection,
  snapshot,
  takenOut,
  writing,
  type Hanging,
} from '@inkwell/store';
import { unlessAllowed, visibleTo, type Actor } from './actor.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** For how many days what was taken out can be brought back. */
const DAYS_TO_COME_BACK = 30;
const DAY = 86_400_000;

export interface LookAfter {
  collection: string;
  title?: string;
  /** Whether it stands apart on the shelf, done with. */
  putAway?: boolean;
}

/** Gives a collection another title, puts it away, or takes it back to the shelf. Its address stays. */
export function lookAfter(services: Services, actor: Actor, wish: LookAfter): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const collection = await lockCollection(trx, wish.collection);
    if (!collection || collection.taken_out_at !== null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'look after a collection', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const title = wish.title?.trim();
    if (title === '')
      return refused({
        code: 'bad-page',
        what: 'A collection needs a title',
        kept: 'It is called what it was.',
        next: 'Write what it should be called.',
      });
    if (title === undefined && wish.putAway === undefined) return done(null);
    await changeCollection(trx, collection.id, {
      ...(title === undefined ? {} : { title }),
      ...(wish.putAway === undefined ? {} : { put_away_at: wish.putAway ? services.now() : null }),
    });
    return done(null);
  });
}

/** What goes with a collection when it is taken out, and until when it can be brought back. */
export interface Removable extends Hanging {
  until: string;
}

export function removable(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<Removable>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, 'look after a collection', { collection: collection.id }, 'This collection');
    return barred ?? done({ ...(await hangingOn(at, collection.id)), until: lastDay(services.now()) });
  });
}

const lastDay = (from: Date) => new Date(from.getTime() + DAYS_TO_COME_BACK * DAY).toISOString();

/** Takes a collection out: it is nowhere to be seen, and for a month it can be brought back as it was. */
export function takeOut(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const collection = await lockCollection(trx, wish.collection);
    if (!collection || collection.taken_out_at !== null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'look after a collection', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    await changeCollection(trx, collection.id, { taken_out_at: services.now(), taken_out_by: actor.id });
    return done(null);
  });
}

/** Brings back what was taken out, just as it was. */
export function bringBack(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const collection = await lockCollection(trx, wish.collection);
    if (!collection || collection.taken_out_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'look after a collection', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    await changeCollection(trx, collection.id, { taken_out_at: null, taken_out_by: null });
    return done(null);
  });
}

/** A collection that was taken out, and until when it can be brought back. */
export interface TakenOut {
  slug: string;
  title: string;
  by: string;
  until: string;
}

/** What was taken out of an actor's shelf and can still be brought back. */
export function takenOutOf(services: Services, actor: Actor): Promise<TakenOut[]> {
  return snapshot(services.db, async (at) => {
    const gone = await takenOut(at, visibleTo(actor));
    return gone.map(({ slug, title, taken_out_at, by }) => ({ slug, title, by, until: lastDay(taken_out_at!) }));
  });
}

/** Takes out for good what nobody brought back in time. Gives how many. */
export async function clearOut(services: Services, actor: Actor): Promise<Result<number>> {
  const barred = unlessAllowed(actor, 'keep the house', 'house');
  if (barred) return barred;
  const before = new Date(services.now().getTime() - DAYS_TO_COME_BACK * DAY);
  return done(await writing(services.db, (trx) => clearTakenOut(trx, before)));
}
