import { tidy, type Scope } from '@inkwell/core';
import {
  changePlacing,
  changeTypes,
  holdAnew,
  lapseSignOff,
  refreshStatus,
  standBehind,
  type PlacedPage,
  type Write,
} from '@inkwell/store';
import { THE_SYSTEM, type Actor } from '../actor.ts';
import { auditAgain } from '../background.ts';
import { onPage, type OnPage } from '../conflicts.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

export interface ChangePage extends OnPage {
  /** Of a page that is shown in a frame of its platform's: what that calls it. A whole page says its title itself. */
  title?: string;
  contentType?: string;
  scope?: Scope;
  /** The page it is to stand behind, by its address in the application; null for the first place. */
  behind?: string | null;
}

/** Changes what a page is called, what sort it is, what it is a part of, and its place in the order; it is audited as what it is then. */
export async function changePage(services: Services, actor: Actor, wish: ChangePage): Promise<Result<null>> {
  const changed = await onPage(services, actor, 'change a page', wish, 'its text', async (trx, page) => {
    const scope = wish.scope ?? page.scope;
    const title = wish.title === undefined ? page.title : tidy(wish.title);
    if (!title) return refused(UNTITLED);
    if (scope === 'document' && title !== page.title) return refused(OWN_TITLE);
    if (wish.behind !== undefined && !(await standBehind(trx, page, wish.behind))) return notFound('The page it should stand behind');
    await changePlacing(trx, page.id, { title, scope });
    // What a page is called is part of what was signed.
    if (title !== page.title || scope !== page.scope) await endRelease(trx, services, page, actor.id);
    const contentType = wish.contentType?.trim().toLowerCase();
    if (contentType && contentType !== page.content_type) {
      await changeTypes(trx, [page.id], contentType);
      await holdAnew(trx, dayIn(page.time_zone, services.now()), actor.id);
    }
    return done(null);
  });
  if (!changed.ok) return changed;
  // What is wrong with it depends on what it is: of the same inputs nothing is written.
  await auditAgain(services, THE_SYSTEM, { pageId: wish.pageId });
  return done(null);
}

async function endRelease(trx: Write, services: Services, page: PlacedPage, by: string): Promise<void> {
  if (!(await lapseSignOff(trx, page.id, { by, because: 'text', revision: page.head }))) return;
  await refreshStatus(trx, [page.id], dayIn(page.time_zone, services.now()), { by, because: 'text' });
}

const UNTITLED = {
  code: 'bad-page',
  what: 'A page needs a title',
  kept: 'It is called what it was.',
  next: 'Write what it should be called.',
} as const;
const OWN_TITLE = {
  code: 'declined',
  what: 'A whole page says its title itself',
  why: 'What stands here is read from its text.',
  kept: 'It is called what it was.',
  next: 'Change the title in the page’s own text.',
} as const;
