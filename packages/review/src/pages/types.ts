import { changeTypes, holdAnew, house, writing } from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from '../actor.ts';
import { chosenPages, type PagesChosen } from '../chosenPages.ts';
import { auditJob } from '../jobs.ts';
import { inCollection } from '../inCollection.ts';
import { done, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

export interface Retype {
  collection: string;
  /** Addresses of pages in the application, or all that a choice in the ledger comes to. */
  pages: readonly string[] | PagesChosen;
  contentType: string;
}

/** Says of pages what sort they are. They are held to what the house asks of that sort, and looked at again where its words differ. */
export function setContentType(services: Services, actor: Actor, wish: Retype): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const found = await inCollection(trx, actor, 'change a page', wish.collection);
    if (!found.ok) return found;
    const contentType = wish.contentType.trim().toLowerCase();
    if (contentType === '')
      return refused({
        code: 'bad-page',
        what: 'A content type needs a name',
        kept: 'Nothing was changed.',
        next: 'Choose one, or write it.',
      });
    const changed = await changeTypes(trx, await chosenPages(trx, services, found.value.id, wish.pages), contentType);
    if (changed.length > 0) await holdAnew(trx, dayIn((await house(trx)).timeZone, services.now()), actor.id);
    await enqueue(trx, actor.id, changed.map(auditJob));
    return done({ pages: changed.length });
  });
}
