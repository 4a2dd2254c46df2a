import type { PlacedPage, Write } from '@inkwell/store';
import { may, type Actor } from './actor.ts';
import { onPage, unlessMovedOn, type About, type OnPage } from './conflicts.ts';
import type { Changed, Declined } from './engine/index.ts';
import { examine, see, type Seen } from './examine.ts';
import { done, refused, type Result } from './problems.ts';
import { record, type NewText, type Revised } from './record.ts';
import type { Services } from './services.ts';

/** What a text is to become. */
export type Made = Omit<NewText, 'examined' | 'html' | 'vouched'> & Pick<Changed, 'html'> & Partial<Pick<Changed, 'examined'>>;

export interface TextChange {
  about: About;
  /** Makes the new text outside any transaction. */
  make: (seen: Seen) => Promise<Result<Made>>;
  /**
   * A rule whose questions the change itself answers, from whoever may rule: who has just written a description has looked at the
   * image, and need not be asked whether it fits.
   */
  vouched?: string | null;
  /** Goes along in the transaction, once the revision is written. */
  then?: (trx: Write, page: PlacedPage) => Promise<void>;
}

/**
 * A change of a page's text: read at one moment, made and examined by the engine outside any transaction, and written under the page's
 * lock when what the person saw is still so.
 */
export async function changeText(services: Services, actor: Actor, wish: OnPage, change: TextChange): Promise<Result<Revised>> {
  const seen = await see(services, actor, 'change a page', wish.pageId);
  if (!seen.ok) return seen;
  const { page } = seen.value;
  // A conflict is told before any work is done for it, with what stands there now.
  if (page.head_version > wish.version)
    return onPage(services, actor, 'change a page', wish, change.about, () => Promise.resolve(refused(BUSY)));
  const made = await change.make(seen.value);
  if (!made.ok) return made;
  const examined = await examine(services, seen.value, made.value.html, made.value.examined);
  return onPage(services, actor, 'change a page', wish, change.about, async (trx, locked) => {
    const moved = await unlessMovedOn(trx, locked, page.version, 'its text');
    if (moved) return moved;
    const vouched = change.vouched && may(actor, 'rule', { collection: locked.collection_id }) ? change.vouched : null;
    const revised = await record(trx, services, actor, locked, seen.value, { ...made.value, examined, vouched });
    await change.then?.(trx, locked);
    return done(revised);
  });
}

const BUSY = { code: 'conflict', what: 'The page is being changed by others', kept: 'The page is as it was.', next: 'Try again.' } as const;

/** What the engine made, or why not, in words. */
export function madeBy(
  result: Changed | Declined,
  cause: Made['cause'],
  note: (changed: Changed) => string,
  what: string,
  kept = 'The page is as it was, and what you typed is still in the form.',
): Result<Made> {
  if (result.ok) return done({ html: result.html, examined: result.examined, moves: result.moves, cause, note: note(result) });
  if (result.gone)
    return refused({
      code: 'not-found',
      what: 'This finding is no longer on the page',
      kept: 'The page is as it was.',
      next: 'Look at the list of findings again.',
    });
  return refused({ code: 'declined', what, why: result.reason, kept });
}
