import { snapshot, strokesTogether, writing } from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { strokeView, type StrokeView } from '../strokes/repeated.ts';
import { unmake } from '../strokes/takeBack.ts';

/** What came of one wish, in however many collections. */
export type MendView = Pick<StrokeView, 'title' | 'by' | 'at' | 'taken_back' | 'waiting' | 'done' | 'returned' | 'left' | 'files'>;

/** What was wished for things of a register, and how far it is. */
export function showMend(services: Services, actor: Actor, wish: { together: string }): Promise<Result<MendView>> {
  return snapshot(services.db, async (at) => {
    const lines = await strokesTogether(at, wish.together);
    const views = lines.filter((line) => may(actor, 'see', { collection: line.collection_id })).map(strokeView);
    const [first] = views;
    if (!first) return notFound('This');
    const sum = (of: 'waiting' | 'done' | 'returned' | 'files') => views.reduce((all, view) => all + view[of], 0);
    const { title, by, at: when, taken_back } = first;
    return done({
      title,
      by,
      at: when,
      taken_back,
      waiting: sum('waiting'),
      done: sum('done'),
      returned: sum('returned'),
      files: sum('files'),
      left: views.flatMap(({ left }) => left),
    });
  });
}

/** Takes all of it back. */
export function unmakeMend(services: Services, actor: Actor, wish: { together: string }): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const lines = await strokesTogether(trx, wish.together);
    if (lines.length === 0) return notFound('This');
    // All of it or none.
    for (const { collection_id: collection } of lines) {
      const barred = unlessAllowed(actor, 'change a page', { collection }, 'This');
      if (barred) return barred;
    }
    let pages = 0;
    for (const { id } of lines) {
      const result = await unmake(trx, actor, id);
      if (!result.ok) return result;
      pages += result.value.pages;
    }
    return done({ pages });
  });
}
