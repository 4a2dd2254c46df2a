import { keepPageOpen, pageById } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** How long somebody's word holds that they have changes which are not saved: said again while they have, it never ends meanwhile. */
const HOLDS_SECONDS = 90;

/** Says that somebody has changes of a page that are not saved, or has none any more: what is done to many passes such a page by. */
export async function keepOpen(services: Services, actor: Actor, wish: { pageId: number; open: boolean }): Promise<Result<null>> {
  const page = await pageById(services.db, wish.pageId);
  if (!page) return notFound('This page');
  const barred = unlessAllowed(actor, 'change a page', { collection: page.collection_id });
  if (barred) return barred;
  await keepPageOpen(services.db, { page: page.id, person: actor.id }, wish.open ? HOLDS_SECONDS : 0);
  return done(null);
}
