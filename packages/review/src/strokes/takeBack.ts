import { carryOver, difference } from '@inkwell/core';
import {
  headText,
  markStrokePage,
  pageById,
  pagesNaming,
  personById,
  putFilesBack,
  revisionOf,
  strokeById,
  strokePages,
  SYSTEM,
  takeStrokeBack,
  writing,
  type Stroke,
  type StrokePage,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { changeText, type Made } from '../changeText.ts';
import { setElsewhere, takeBackRuling } from '../judge.ts';
import { enqueue } from '@inkwell/work';
import { auditJob, STROKE_BACK } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { ACTS, again, inTheBackground, nameOf, whyOf, type Some } from './acts.ts';

/** Takes a stroke back wherever it was made, in the background: a fix is undone beside whatever was changed since. */
export function unmakeStroke(services: Services, actor: Actor, wish: { stroke: number }): Promise<Result<{ pages: number }>> {
  return writing(services.db, (trx) => unmake(trx, actor, wish.stroke));
}

export async function unmake(trx: Write, actor: Actor, id: number): Promise<Result<{ pages: number }>> {
  const stroke = await strokeById(trx, id);
  if (!stroke) return notFound('This');
  const barred = unlessAllowed(actor, ACTS[stroke.act], { collection: stroke.collection_id }, 'This');
  if (barred) return barred;
  if (stroke.act === 'sign off')
    return refused({
      code: 'nothing-to-do',
      what: 'A sign-off is not taken back',
      why: 'It names who answered for a revision, and ends when that changes.',
      kept: 'The pages stay signed off.',
    });
  const pages = (await strokePages(trx, stroke.id, 'done')).map(({ page_id: id }) => id);
  if (!(await takeStrokeBack(trx, stroke.id, actor.id)))
    return refused({ code: 'nothing-to-do', what: 'This was taken back already', kept: 'Nothing was changed.' });
  await filesBack(trx, stroke);
  if (pages.length > 0) await inTheBackground(trx, actor, STROKE_BACK, stroke.id, pages, `${nameOf(stroke)}, taken back`);
  return done({ pages: pages.length });
}

/** Files lie again where they did; pages that a style sheet dresses are looked at again. */
async function filesBack(trx: Write, stroke: Stroke): Promise<void> {
  if (stroke.act !== 'mend') return;
  const { back } = await putFilesBack(trx, stroke.id, stroke.collection_id);
  await enqueue(trx, SYSTEM, (await pagesNaming(trx, stroke.collection_id, 0, { sheets: back, images: back })).map(auditJob));
}

/** A job: takes a stroke back on some pages. */
export async function takeStrokeBackOn(services: Services, wish: Some): Promise<void> {
  const stroke = await strokeById(services.db, wish.stroke);
  const actor = stroke?.taken_back_by ? await personById(services.db, stroke.taken_back_by) : undefined;
  if (!stroke || !actor) return;
  for (const made of await strokePages(services.db, stroke.id, 'done', wish.pages)) {
    const result = await again(services, made.page_id, (version) =>
      stroke.act === 'fix' || stroke.act === 'certain' || stroke.act === 'mend'
        ? unfixOn(services, actor, stroke, made, { pageId: made.page_id, version })
        : undecideOn(services, actor, stroke, made),
    );
    if (!result.ok)
      await markStrokePage(services.db, { stroke: stroke.id, page: made.page_id }, { state: 'stays', why: whyOf(stroke, result) });
  }
}

function unfixOn(
  services: Services,
  actor: Actor,
  stroke: Stroke,
  { page_id: id, revision }: StrokePage,
  on: { pageId: number; version: number },
): Promise<Result<unknown>> {
  return changeText(services, actor, on, {
    about: 'its text',
    async make({ page }): Promise<Result<Made>> {
      const fixed = (await revisionOf(services.db, id, revision!))!;
      const before = (await revisionOf(services.db, id, fixed.content_before!))!;
      const back = { edits: difference(fixed.html, before.html).edits, after: before.html };
      const { text, many } = carryOver(fixed.html, [back], await headText(services.db, page));
      if (many === 0)
        return refused({
          code: 'declined',
          what: 'The same place was changed since',
          kept: 'The page is as it was.',
        });
      return done({ html: text, cause: 'restored', note: `took back: ${nameOf(stroke)}, on many pages` });
    },
    then: (trx) => markStrokePage(trx, { stroke: stroke.id, page: id }, { state: 'taken back' }),
  });
}

async function undecideOn(services: Services, actor: Actor, stroke: Stroke, made: StrokePage): Promise<Result<unknown>> {
  const { page_id: pageId, findings } = made;
  let version = (await pageById(services.db, pageId))!.version;
  for (const findingId of findings) {
    const about = { pageId, version, findingId };
    const settled =
      stroke.act === 'elsewhere'
        ? await setElsewhere(services, actor, { ...about, elsewhere: false })
        : await takeBackRuling(services, actor, about);
    // What was decided otherwise since, or is no longer there, stays so.
    if (settled.ok) version = settled.value.version;
    else if (settled.problem.code === 'conflict') return settled;
  }
  await markStrokePage(services.db, { stroke: stroke.id, page: pageId }, { state: 'taken back' });
  return done(null);
}
