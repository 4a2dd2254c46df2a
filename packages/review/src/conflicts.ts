import { decidedSince, lockPage, revisionOf, writing, type Database, type PlacedPage, type Write } from '@inkwell/store';
import { unlessAllowed, type Act, type Actor } from './actor.ts';
import { notFound, refused, type Refusal, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** A page, and the version of it that the person saw. */
export interface OnPage {
  pageId: number;
  version: number;
  /** The number of its revision then: with it, what others made of the text since need not stand in the way. */
  revision?: number;
}

/** What the act is about: findings by id, or the page with all that is on it. */
export type About = readonly number[] | 'the whole page' | 'its text';

/**
 * Runs `make` on the locked page when what it is about is as the person saw it. Else it is told what others did meanwhile: a newer
 * text, or decisions on the same findings.
 */
export function onPage<T>(
  services: Services,
  actor: Actor,
  act: Act,
  wish: OnPage,
  about: About,
  make: (trx: Write, page: PlacedPage) => Promise<Result<T>>,
): Promise<Result<T>> {
  return writing(services.db, async (trx) => {
    const page = await lockPage(trx, wish.pageId);
    if (!page) return notFound('This page');
    return (
      unlessAllowed(actor, act, { collection: page.collection_id }) ??
      (await unlessMovedOn(trx, page, wish.version, about)) ??
      make(trx, page)
    );
  });
}

/** Null when a page is as somebody saw it, as far as they act on it. */
export async function unlessMovedOn(trx: Write, page: PlacedPage, version: number, about: About): Promise<Refusal | null> {
  if (page.version === version) return null;
  if (page.head_version > version) return textConflict(trx, page);
  return unlessDecided(trx, page.id, version, about);
}

/** Null when nobody decided since on what somebody acts on. `byPeople`: what only an audit of a newer text says is no decision. */
export async function unlessDecided(
  db: Database | Write,
  pageId: number,
  version: number,
  about: About,
  byPeople = false,
): Promise<Refusal | null> {
  if (about === 'its text') return null;
  const decided = await decidedSince(db, pageId, version, about === 'the whole page' ? null : about, byPeople);
  const last = decided.at(-1);
  if (!last) return null;
  return refused({
    code: 'conflict',
    what:
      about === 'the whole page' ? 'Something was decided on this page since you opened it' : 'This was decided since you opened the page',
    why: `${last.by} decided meanwhile: it now stands as ${last.standing}${last.because ? ` (${last.because})` : ''}.`,
    kept: 'Their decision stands, and yours was not recorded over it.',
    next: 'Look at the page as it is now; if you disagree, take their decision back first.',
    decided: decided.map((one) => ({ finding: one.finding_id, standing: one.standing, by: one.by, at: one.made_at.toISOString() })),
  });
}

/** What others made of the text since; `base`: the text that both began at. */
export async function textConflict(
  db: Database | Write,
  page: Pick<PlacedPage, 'id' | 'head' | 'version'>,
  base?: string,
): Promise<Refusal> {
  const head = (await revisionOf(db, page.id, page.head))!;
  return refused({
    code: 'conflict',
    what: 'The page has changed since you opened it',
    why: `${head.by} has made revision ${page.head} since.`,
    kept: 'What you have is kept beside theirs, and nothing was overwritten.',
    next: 'Compare the two, then take theirs or save yours on top of it.',
    theirs: { revision: page.head, version: page.version, html: head.html, by: head.by, at: head.made_at.toISOString(), base },
  });
}
