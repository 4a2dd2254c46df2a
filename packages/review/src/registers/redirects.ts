import { redirectsOf, snapshot } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import { done, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** Where files of a collection lie now that have another name: what its host sends readers on by. */
export function redirects(
  services: Services,
  actor: Actor,
  wish: { collection: string },
): Promise<Result<{ path: string; leads_to: string }[]>> {
  return snapshot(services.db, async (at) => {
    const found = await inCollection(at, actor, 'see', wish.collection);
    if (!found.ok) return found;
    return done(await redirectsOf(at, found.value.id));
  });
}
