import { keepTime, logTime, pageById, type Spent } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** Keeps how long somebody was at findings of a page: the measure of hours to come. Nothing is kept of whoever switched it off. */
export async function spendTime(
  services: Services,
  actor: Actor,
  wish: { pageId: number; spent: readonly Spent[] },
): Promise<Result<null>> {
  const page = await pageById(services.db, wish.pageId);
  if (!page) return notFound('This page');
  const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
  if (barred) return barred;
  if (wish.spent.length > 0) await logTime(services.db, actor.id, page.id, wish.spent);
  return done(null);
}

/** Switches one's own time log on or off. */
export async function setTimeLog(services: Services, actor: Actor, wish: { keep: boolean }): Promise<Result<null>> {
  const barred = unlessAllowed(actor, 'see', 'house');
  if (barred && actor.memberships.length === 0) return barred;
  await keepTime(services.db, actor.id, wish.keep);
  return done(null);
}
