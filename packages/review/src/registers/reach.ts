import { collectionsSeen, type Database, type Write } from '@inkwell/store';
import { may, visibleTo, type Act, type Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import { done, type Result } from '../problems.ts';

export interface ReachedCollection {
  id: number;
  slug: string;
  title: string;
}

/** What a register looks into: one collection, or all that the actor may see. */
export interface Reach {
  /** The collection's address in the application; null for all. */
  collection: string | null;
}

/** The collections that an act may reach, by title. */
export async function reached(db: Database | Write, actor: Actor, act: Act, { collection }: Reach): Promise<Result<ReachedCollection[]>> {
  if (collection !== null) {
    const found = await inCollection(db, actor, act, collection);
    return found.ok ? done([{ id: found.value.id, slug: found.value.slug, title: found.value.title }]) : found;
  }
  const seen = await collectionsSeen(db, visibleTo(actor));
  return done(seen.filter(({ id }) => may(actor, act, { collection: id })).map(({ id, slug, title }) => ({ id, slug, title })));
}
