import { collectionBySlug, type Collection, type Database, type Write } from '@inkwell/store';
import { unlessAllowed, type Act, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';

/** A collection by its address in the application, for whoever may do this in it. */
export async function inCollection(db: Database | Write, actor: Actor, act: Act, slug: string): Promise<Result<Collection>> {
  const collection = await collectionBySlug(db, slug);
  if (!collection) return notFound('This collection');
  return unlessAllowed(actor, act, { collection: collection.id }, 'This collection') ?? done(collection);
}
