import { revisionOf, type Database, type StoredPage, type Write } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { onHead, revise, type Revised } from './revise.ts';

interface Step {
  pageId: number;
  base: number;
}

/** Goes back to the text before the last change, as a new revision that says so. Survives reloads: it is the page's own history. */
export function undo(db: Database, actor: Actor, step: Step): Promise<Result<Revised>> {
  return walk(db, actor, step, async (trx, page) => {
    const head = (await revisionOf(trx, page.id, page.head))!;
    if (head.content_before === null) return null;
    return { content: head.content_before, redo: [...page.redo, head.content], note: `undid revision ${head.content}` };
  }, 'There is nothing to undo');
}

/** Goes forward again to what undo left. A change made since forgets it. */
export function redo(db: Database, actor: Actor, step: Step): Promise<Result<Revised>> {
  return walk(db, actor, step, async (_trx, page) => {
    const content = page.redo.at(-1);
    return content === undefined ? null : { content, redo: page.redo.slice(0, -1), note: `redid revision ${content}` };
  }, 'There is nothing to redo');
}

async function walk(db: Database, actor: Actor, step: Step, choose: (trx: Write, page: StoredPage) => Promise<{ content: number; redo: number[]; note: string } | null>, nothing: string): Promise<Result<Revised>> {
  const barred = unlessAllowed(actor, 'change a page');
  if (barred) return barred;
  return onHead(db, step.pageId, step.base, async (trx, page) => {
    const target = await choose(trx, page);
    if (!target) return refused({ code: 'nothing-to-do', what: nothing, kept: 'The page is as it was.' });
    const { html } = (await revisionOf(trx, page.id, target.content))!;
    return done(await revise(trx, page, actor, { html, cause: 'restored', note: target.note, content: target.content, redo: target.redo }));
  });
}

/** Makes an earlier revision's text the newest one. */
export async function restore(db: Database, actor: Actor, wish: Step & { revision: number }): Promise<Result<Revised>> {
  const barred = unlessAllowed(actor, 'change a page');
  if (barred) return barred;
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const [head, wanted] = [await revisionOf(trx, page.id, page.head), await revisionOf(trx, page.id, wish.revision)];
    if (!wanted) return notFound(`Revision ${wish.revision}`);
    if (wanted.html === head!.html) return refused({ code: 'nothing-to-do', what: 'This is the page’s text already', kept: 'The page is as it was.' });
    return done(await revise(trx, page, actor, { html: wanted.html, cause: 'restored', note: `restored revision ${wish.revision}` }));
  });
}
