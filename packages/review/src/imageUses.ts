import { pageById, snapshot, usesOfImage, type ImageUse } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** Uses told of: an image on more pages belongs to the collection's frame, and a few tell enough. */
const MOST_USES = 20;

/** The other pages of a page's collection that show an image, by its path in the collection. */
export function imageUses(services: Services, actor: Actor, wish: { pageId: number; image: string }): Promise<Result<ImageUse[]>> {
  return snapshot(services.db, async (at) => {
    const page = await pageById(at, wish.pageId);
    if (!page) return notFound('This page');
    return unlessAllowed(actor, 'see', { collection: page.collection_id }) ?? done(await usesOfImage(at, page.id, wish.image, MOST_USES));
  });
}
