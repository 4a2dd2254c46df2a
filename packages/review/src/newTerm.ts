import { collectionBySlug, collectionSlugsLike, copyCollection, house, pagesOfCollection, refreshStatus, writing } from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { unlessAllowed, type Actor } from './actor.ts';
import { firstFree, slugOf } from './bringIn.ts';
import { auditJob } from './jobs.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';

/**
 * A collection once more, for a new term: with its texts and their history, and with its rulings, exceptions and sign-offs as they hold
 * now. From then on the two go their own ways. Gives the copy's address.
 */
export function newTerm(
  services: Services,
  actor: Actor,
  wish: { collection: string; title: string },
): Promise<Result<{ collection: string }>> {
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'bring in', 'house', 'This collection');
    if (barred) return barred;
    const title = wish.title.trim();
    if (title === '')
      return refused({
        code: 'bad-page',
        what: 'The new term needs a title',
        kept: 'Nothing was copied.',
        next: 'Write what it is called.',
      });
    const slug = firstFree(slugOf(title), await collectionSlugsLike(trx, slugOf(title)));
    const copy = await copyCollection(trx, collection.id, { slug, title, by: actor.id });
    const pages = await pagesOfCollection(trx, copy);
    await refreshStatus(trx, pages, dayIn((await house(trx)).timeZone, services.now()), { by: actor.id, because: 'audit' });
    // An older engine may have looked last.
    await enqueue(trx, actor.id, pages.map(auditJob));
    return done({ collection: slug });
  });
}
