import { revisionOf, type PlacedPage, type Write } from '@inkwell/store';
import { may, type Actor } from './actor.ts';
import { onPage, textConflict, unlessDecided, unlessMovedOn, type About, type OnPage } from './conflicts.ts';
import type { Changed, Declined } from './engine/index.ts';
import { examine, see, type Seen } from './examine.ts';
import { done, refused, type Result } from './problems.ts';
import { record, type NewText, type Revised } from './record.ts';
import type { Services } from './services.ts';

/** What a text is to become. */
export type Made = Omit<NewText, 'examined' | 'html' | 'vouched'> & Pick<Changed, 'html'> & Partial<Pick<Changed, 'examined'>>;

export interface TextChange {
  about: About;
  /**
   * Makes the new text outside any transaction. `before`: the text the person saw, where others changed it since; null where they did
   * not. What meets the others' changes is a conflict.
   */
  make: (seen: Seen, before: string | null) => Promise<Result<Made> | typeof MEETS>;
  /** Whether it may go on top of what others made of the text since. */
  onTop?: boolean;
  /**
   * A rule whose questions the change itself answers, from whoever may rule: who has just written a description has looked at the
   * image, and need not be asked whether it fits.
   */
  vouched?: string | null;
  /** Goes along in the transaction, once the revision is written. */
  then?: (trx: Write, page: PlacedPage) => Promise<void>;
}

/** What a change says that speaks of the very place others changed meanwhile. */
export const MEETS = 'it meets what others changed';

/**
 * A change of a page's text: read at one moment, made and examined by the engine outside any transaction, and written under the page's
 * lock when what the person saw is still so, or where what others changed since stands elsewhere.
 */
export async function changeText(
  services: Services,
  actor: Actor,
  wish: OnPage,
  change: TextChange,
  attempts = 3,
): Promise<Result<Revised>> {
  const seen = await see(services, actor, 'change a page', wish.pageId);
  if (!seen.ok) return seen;
  const { page } = seen.value;
  const before = await beforeOthers(services, wish, change, page);
  if (!before.ok) return before;
  const made = await change.make(seen.value, before.value);
  if (made === MEETS) return textConflict(services.db, page, before.value ?? undefined);
  if (!made.ok) return made;
  const examined = await examine(services, seen.value, made.value.html, made.value.examined);
  const on = before.value === null ? wish : { ...wish, version: page.version };
  const written = await onPage<Revised>(services, actor, 'change a page', on, change.about, async (trx, locked) => {
    const moved = await unlessMovedOn(trx, locked, page.version, 'its text');
    if (moved) return moved;
    const vouched = change.vouched && may(actor, 'rule', { collection: locked.collection_id }) ? change.vouched : null;
    const revised = await record(trx, services, actor, locked, seen.value, { ...made.value, examined, vouched });
    await change.then?.(trx, locked);
    return done(before.value === null ? revised : { ...revised, onTopOf: page.head });
  });
  // Somebody was quicker while this was made: where it may go on top of theirs, it is made once more.
  const overtaken = !written.ok && written.problem.theirs !== undefined && wish.revision !== undefined;
  return overtaken && change.onTop && attempts > 1 ? changeText(services, actor, wish, change, attempts - 1) : written;
}

/**
 * The text a person saw, where others changed it since and their changes may stay; null where nobody did. Other conflicts are told
 * before any work is done for them, with what stands there now.
 */
async function beforeOthers({ db }: Services, wish: OnPage, change: TextChange, page: PlacedPage): Promise<Result<string | null>> {
  if (page.head_version <= wish.version) return done(null);
  const began = wish.revision === undefined || wish.revision >= page.head ? undefined : await revisionOf(db, page.id, wish.revision);
  if (!change.onTop || !began) return textConflict(db, page, began?.html);
  return (await unlessDecided(db, page.id, wish.version, change.about, true)) ?? done(began.html);
}

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
