import { revisionOf, type PlacedPage } from '@inkwell/store';
import type { Actor } from './actor.ts';
import { changeText, type Made } from './changeText.ts';
import type { OnPage } from './conflicts.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import type { Revised } from './record.ts';
import type { Services } from './services.ts';

interface Target {
  content: number;
  redo: number[];
  note: string;
}

/** Goes back to the text before the last change, as a new revision that says so. Survives reloads: it is the page's own history. */
export function undo(services: Services, actor: Actor, wish: OnPage): Promise<Result<Revised>> {
  return walk(services, actor, wish, 'There is nothing to undo', async (page) => {
    const head = (await revisionOf(services.db, page.id, page.head))!;
    return head.content_before === null
      ? null
      : { content: head.content_before, redo: [...page.redo, head.content], note: `undid revision ${head.content}` };
  });
}

/** Goes forward again to what undo left. A change made since forgets it. */
export function redo(services: Services, actor: Actor, wish: OnPage): Promise<Result<Revised>> {
  return walk(services, actor, wish, 'There is nothing to redo', (page) => {
    const content = page.redo.at(-1);
    return Promise.resolve(content === undefined ? null : { content, redo: page.redo.slice(0, -1), note: `redid revision ${content}` });
  });
}

function walk(
  services: Services,
  actor: Actor,
  wish: OnPage,
  nothing: string,
  choose: (page: PlacedPage) => Promise<Target | null>,
): Promise<Result<Revised>> {
  return changeText(services, actor, wish, {
    about: 'its text',
    async make({ page }) {
      const target = await choose(page);
      if (!target) return refused({ code: 'nothing-to-do', what: nothing, kept: 'The page is as it was.' });
      const { html } = (await revisionOf(services.db, page.id, target.content))!;
      return done({ html, cause: 'restored', ...target });
    },
  });
}

/** Makes an earlier revision's text the newest one. */
export function restore(services: Services, actor: Actor, wish: OnPage & { revision: number }): Promise<Result<Revised>> {
  return changeText(services, actor, wish, {
    about: 'its text',
    async make({ page, text }): Promise<Result<Made>> {
      const wanted = await revisionOf(services.db, page.id, wish.revision);
      if (!wanted) return notFound(`Revision ${wish.revision}`);
      if (wanted.html === text.html)
        return refused({ code: 'nothing-to-do', what: 'This is the page’s text already', kept: 'The page is as it was.' });
      return done({ html: wanted.html, cause: 'restored', note: `restored revision ${wish.revision}` });
    },
  });
}
