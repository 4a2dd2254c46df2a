import { noticesFor, pageById, pageNow, readNotices, sayHere, snapshot, unreadNotices, type PageNow } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** How long somebody's word holds that they are on a page; said again while they are, it never ends meanwhile. */
const HOLDS_SECONDS = 45;

/** Says that somebody is on a page, or has left it. Gives the page's version now, whether oneself made it, and who else is on it. */
export async function amHere({ db }: Services, actor: Actor, wish: { page: number; here: boolean }): Promise<Result<PageNow>> {
  const page = await pageById(db, wish.page);
  if (!page) return notFound('This page');
  const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
  if (barred) return barred;
  await sayHere(db, { page: page.id, collection: page.collection_id, person: actor.id }, wish.here ? HOLDS_SECONDS : 0);
  const now = await pageNow(db, { page: page.id, person: actor.id });
  return now ? done(now) : notFound('This page');
}

/** A message to somebody, as they read it in the application. */
export interface NoticeView {
  id: number;
  subject: string;
  body: string;
  at: string;
  isNew: boolean;
}

/** Notices told at once. */
const AT_ONCE = 50;

/** One's own messages, the newest first. */
export async function notices(
  { db }: Services,
  actor: Actor,
  wish: { before: number | null },
): Promise<Result<{ notices: NoticeView[]; next: number | null }>> {
  const lines = await snapshot(db, (at) => noticesFor(at, actor.id, wish.before, AT_ONCE + 1));
  const told = lines.slice(0, AT_ONCE);
  return done({
    notices: told.map(({ at, ...notice }) => ({ ...notice, at: at.toISOString() })),
    next: lines.length > AT_ONCE ? told.at(-1)!.id : null,
  });
}

/** Notes that one has read one's messages up to one. */
export async function readUpTo({ db }: Services, actor: Actor, wish: { notice: number }): Promise<Result<null>> {
  await readNotices(db, actor.id, wish.notice);
  return done(null);
}

/** How many of one's own messages were not read. */
export async function unread({ db }: Services, actor: Actor): Promise<Result<{ many: number }>> {
  return done({ many: await unreadNotices(db, actor.id) });
}
