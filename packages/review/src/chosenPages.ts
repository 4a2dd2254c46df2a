import { house, pagesChosen, pagesNamed, type Write } from '@inkwell/store';
import { dayIn, type Services } from './services.ts';
import type { LedgerChoice } from './shelf.ts';

/** All pages that a choice in the ledger comes to, however many. */
export type PagesChosen = Omit<LedgerChoice, 'order' | 'after'>;

/** Pages of a collection that were named one by one, or by a choice, in its order. */
export async function chosenPages(
  trx: Write,
  services: Services,
  collectionId: number,
  pages: readonly string[] | PagesChosen,
): Promise<number[]> {
  if (isNamed(pages)) return pagesNamed(trx, collectionId, pages);
  return pagesChosen(trx, collectionId, pages, dayIn((await house(trx)).timeZone, services.now()));
}

const isNamed = (pages: readonly string[] | PagesChosen): pages is readonly string[] => Array.isArray(pages);
