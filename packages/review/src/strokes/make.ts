import type { Inputs, RemedyName } from '@inkwell/core';
import {
  addStroke,
  collectionBySlug,
  findingById,
  markStrokePage,
  pageById,
  pagesWithSlip,
  personById,
  setStrokeJob,
  strokeById,
  strokePages,
  writing,
  type Stroke,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { changeText, madeBy } from '../changeText.ts';
import type { OnPage } from '../conflicts.ts';
import { see } from '../examine.ts';
import { fixAllCertain, GONE, keyOf, labelOf, openOn, titleOf, WRITES_DESCRIPTION } from '../fix.ts';
import { STROKE } from '../jobs.ts';
import { rule, setElsewhere } from '../judge.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { mendOn } from '../registers/mend.ts';
import { signOff } from '../release/sign.ts';
import { dayIn, type Services } from '../services.ts';
import { ACTS, again, inTheBackground, nameOf, PAGE_ACTS, whyOf, type PagesAct, type SlipAct, type Some } from './acts.ts';
import { chosenPages, type PagesChosen } from '../chosenPages.ts';
import { MOST_PAGES } from './repeated.ts';

export interface WishedStroke {
  pageId: number;
  findingId: number;
  act: SlipAct;
  /** For a fix: which one, and what was chosen for all. */
  remedy?: RemedyName;
  inputs?: Inputs;
  /** The pages it is to reach. */
  pages: readonly number[];
}

/** Does one thing to one slip on many pages, in the background. Gives the number of pages it will reach. */
export function strokeOver(services: Services, actor: Actor, wish: WishedStroke): Promise<Result<{ stroke: number; pages: number }>> {
  return writing(services.db, async (trx) => {
    const page = await pageById(trx, wish.pageId);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, ACTS[wish.act], { collection: page.collection_id });
    if (barred) return barred;
    const finding = await findingById(trx, page.id, wish.findingId, '');
    if (finding?.slip === undefined) return notFound('This slip');
    const { slip, rule: ofRule } = finding;
    const there = await pagesWithSlip(trx, page.collection_id, slip, dayIn(page.time_zone, services.now()), MOST_PAGES);
    const chosen = new Set(wish.pages);
    const pages = there.flatMap(({ id }) => (chosen.has(id) ? [id] : []));
    if (pages.length === 0)
      return refused({
        code: 'nothing-to-do',
        what: 'It stands on none of these pages any more',
        kept: 'Nothing was changed.',
        next: 'Look at the list again.',
      });
    const stroke = await addStroke(
      trx,
      {
        collection_id: page.collection_id,
        slip,
        rule: ofRule,
        act: wish.act,
        remedy: wish.remedy ?? null,
        inputs: wish.inputs ?? {},
        finding_id: finding.id,
        made_by: actor.id,
      },
      pages,
    );
    const what = `${titleOf(ofRule)}, on many pages`;
    await setStrokeJob(trx, stroke, await inTheBackground(trx, actor, STROKE, stroke, pages, what));
    return done({ stroke, pages: pages.length });
  });
}

export interface WishedOnPages {
  collection: string;
  act: PagesAct;
  /** Addresses of pages in the application, or all that a choice in the ledger comes to. */
  pages: readonly string[] | PagesChosen;
}

/** Does one thing to pages that were chosen together, in the background. */
export function strokePagesOver(services: Services, actor: Actor, wish: WishedOnPages): Promise<Result<{ stroke: number; pages: number }>> {
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, ACTS[wish.act], { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const pages = await chosenPages(trx, services, collection.id, wish.pages);
    if (pages.length === 0) return notFound('These pages');
    const none = { slip: null, rule: null, remedy: null, inputs: {}, finding_id: null };
    const stroke = await addStroke(trx, { ...none, collection_id: collection.id, act: wish.act, made_by: actor.id }, pages);
    await setStrokeJob(trx, stroke, await inTheBackground(trx, actor, STROKE, stroke, pages, PAGE_ACTS[wish.act]));
    return done({ stroke, pages: pages.length });
  });
}

/**
 * A job: does it to some pages, each in a transaction of its own. What was done once is not done again; what cannot be done is left and
 * told.
 */
export async function makeStroke(services: Services, wish: Some): Promise<void> {
  const stroke = await strokeById(services.db, wish.stroke);
  const actor = stroke && (await personById(services.db, stroke.made_by));
  if (!stroke || !actor) return;
  for (const { page_id: page } of await strokePages(services.db, stroke.id, 'waiting', wish.pages)) {
    const result = await again(services, page, (version) => doOn(services, actor, stroke, { pageId: page, version }));
    if (!result.ok) await markStrokePage(services.db, { stroke: stroke.id, page }, { state: 'left', why: whyOf(stroke, result) });
  }
}

function doOn(services: Services, actor: Actor, stroke: Stroke, on: OnPage): Promise<Result<unknown>> {
  switch (stroke.act) {
    case 'fix':
      return fixOn(services, actor, stroke, on);
    case 'certain':
      return fixAllCertain(services, actor, on, (trx, page) =>
        markStrokePage(trx, { stroke: stroke.id, page: page.id }, { state: 'done', revision: page.head + 1 }),
      );
    case 'mend':
      return mendOn(services, actor, stroke, on);
    case 'sign off':
      return signOffOn(services, actor, stroke, on);
    default:
      return decideOn(services, actor, stroke, on.pageId);
  }
}

async function signOffOn(services: Services, actor: Actor, stroke: Stroke, on: OnPage): Promise<Result<unknown>> {
  const signed = await signOff(services, actor, on);
  if (signed.ok) await markStrokePage(services.db, { stroke: stroke.id, page: on.pageId }, { state: 'done' });
  return signed;
}

/** Fixes the slip on one page, and says so in the same transaction. */
function fixOn(services: Services, actor: Actor, stroke: Stroke, on: { pageId: number; version: number }): Promise<Result<unknown>> {
  const remedy = stroke.remedy as RemedyName;
  return changeText(services, actor, on, {
    about: 'the whole page',
    async make(seen) {
      const own = openOn(services, seen).filter(({ slip }) => slip === stroke.slip);
      if (!own[0]) return madeBy(GONE, 'fixed', () => '', '');
      const keys = own.map(keyOf);
      const result = await services.engine.run('fix alike', {
        page: seen.text,
        finding: keys[0]!,
        among: keys,
        remedy,
        inputs: stroke.inputs,
      });
      return madeBy(result, 'fixed', () => `${nameOf(stroke)}, on many pages (${labelOf(remedy)})`, 'It was not fixed here');
    },
    vouched: WRITES_DESCRIPTION.has(remedy) ? 'images/true-to-picture' : null,
    then: (trx, page) => markStrokePage(trx, { stroke: stroke.id, page: page.id }, { state: 'done', revision: page.head + 1 }),
  });
}

/**
 * Decides about the slip on one page. What it is about is written down before the first decision, so that all of it can be taken back
 * whatever happens in between; done twice it finds nothing open.
 */
async function decideOn(services: Services, actor: Actor, stroke: Stroke, pageId: number): Promise<Result<unknown>> {
  const seen = await see(services, actor, 'rule', pageId);
  if (!seen.ok) return seen;
  let { version } = seen.value.page;
  const own = openOn(services, seen.value).filter(({ slip }) => slip === stroke.slip);
  const [before] = await strokePages(services.db, stroke.id, 'waiting', [pageId]);
  const findings = [...new Set([...(before?.findings ?? []), ...own.map(({ id }) => id)])];
  const of = { stroke: stroke.id, page: pageId };
  await markStrokePage(services.db, of, { state: 'waiting', findings });
  for (const { id: findingId } of own) {
    const about = { pageId, version, findingId };
    const settled =
      stroke.act === 'elsewhere'
        ? await setElsewhere(services, actor, { ...about, elsewhere: true })
        : await rule(services, actor, { ...about, answer: 'no problem' });
    if (!settled.ok) return settled;
    version = settled.value.version;
  }
  await markStrokePage(services.db, of, { state: 'done' });
  return done(null);
}
