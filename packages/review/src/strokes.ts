import { carryOver, difference, sentenceOf, type Inputs, type RemedyName } from '@inkwell/core';
import {
  addStroke,
  collectionBySlug,
  findingById,
  headText,
  house,
  markStrokePage,
  pageById,
  pagesNamed,
  pagesWithSlip,
  personById,
  revisionOf,
  setStrokeJob,
  slipsOver,
  snapshot,
  strokeById,
  strokeLines,
  strokePages,
  takeStrokeBack,
  writing,
  type PageWithSlip,
  type SlipLine,
  type Stroke,
  type StrokeAct,
  type StrokeLine,
  type StrokePage,
  type Write,
} from '@inkwell/store';
import { enqueueUnder, type NewJob } from '@inkwell/work';
import { unlessAllowed, type Act, type Actor } from './actor.ts';
import { changeText, madeBy, type Made } from './changeText.ts';
import { see } from './examine.ts';
import { fixAllCertain, GONE, keyOf, labelOf, openOn, titleOf, WRITES_DESCRIPTION } from './fix.ts';
import type { OnPage } from './conflicts.ts';
import { rule, setElsewhere, signOff, takeBackRuling } from './judge.ts';
import { STROKE, STROKE_BACK, STROKES } from './jobs.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';

/** One slip, many pages: told once, and done to all of them in one stroke that one word takes back. */
export interface RepeatedSlip extends Pick<SlipLine, 'slip' | 'rule' | 'weight' | 'outcome' | 'pages' | 'many' | 'finding'> {
  part: string;
  title: string;
  sentence: string;
  /** Who answers for it: what is in the frame of half the pages and more comes from their theme. */
  answers: 'theme' | 'author';
  /** The page on which it comes first. */
  first: { slug: string; title: string };
}

export interface Repeated {
  collection: { slug: string; title: string };
  slips: RepeatedSlip[];
  /** How many more there are than are shown. */
  more: number;
  strokes: StrokeView[];
}

/** What was done to one slip on many pages, and what came of it. */
export interface StrokeView extends Omit<StrokeLine, 'made_at'> {
  title: string;
  label: string;
  at: string;
}

/** Slips shown at most: the rest stands on fewer pages. */
const MOST_SLIPS = 200;
const MOST_STROKES = 20;

/** The slips that stand on several pages of a collection, and what was done to many at once. */
export function repeated(services: Services, actor: Actor, wish: { collection: string }): Promise<Result<Repeated>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const lines = await slipsOver(at, collection.id, dayIn((await house(at)).timeZone, services.now()), MOST_SLIPS);
    const strokes = await strokeLines(at, collection.id, { limit: MOST_STROKES });
    return done({
      collection: { slug: collection.slug, title: collection.title },
      slips: lines.map(slipView),
      more: Math.max(0, (lines[0]?.all_slips ?? 0) - lines.length),
      strokes: strokes.map(strokeView),
    });
  });
}

function slipView({ slug, title, message, values, all_pages: all, all_slips: _all, ...line }: SlipLine): RepeatedSlip {
  const part = line.slip.slice(0, line.slip.lastIndexOf(' '));
  return {
    ...line,
    part,
    title: titleOf(line.rule),
    sentence: sentenceOf({ rule: line.rule, message, values }),
    answers: part !== 'content' && part !== 'aside' && line.pages * 2 >= all ? 'theme' : 'author',
    first: { slug, title },
  };
}

function strokeView({ made_at, ...line }: StrokeLine): StrokeView {
  return { ...line, title: nameOf(line), label: wordFor(line), at: made_at.toISOString() };
}

/** One stroke, and how far it is. */
export function showStroke(services: Services, actor: Actor, wish: { stroke: number }): Promise<Result<StrokeView>> {
  return snapshot(services.db, async (at) => {
    const stroke = await strokeById(at, wish.stroke);
    if (!stroke) return notFound('This');
    const barred = unlessAllowed(actor, 'see', { collection: stroke.collection_id }, 'This');
    if (barred) return barred;
    const [line] = await strokeLines(at, stroke.collection_id, { limit: 1, only: stroke.id });
    return line ? done(strokeView(line)) : notFound('This');
  });
}

/** What a stroke is about: the rule of its slip, or what was done to whole pages. */
function nameOf({ rule: ofRule, act }: Pick<Stroke, 'rule' | 'act'>): string {
  return ofRule === null ? PAGE_ACTS[act as PagesAct] : titleOf(ofRule);
}

function wordFor({ act, remedy }: Pick<Stroke, 'act' | 'remedy'>): string {
  if (act === 'fix') return labelOf(remedy!);
  if (act === 'elsewhere') return 'told apart for the theme or host';
  return act === 'no problem' ? 'ruled no problem' : 'on pages chosen together';
}

/** Pages told for one slip at most. */
const MOST_PAGES = 5_000;

/** The pages on which the slip of a finding stands open, its own among them; none where it is on no other. */
export function sameSlip(services: Services, actor: Actor, wish: { pageId: number; findingId: number }): Promise<Result<PageWithSlip[]>> {
  return snapshot(services.db, async (at) => {
    const page = await pageById(at, wish.pageId);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
    if (barred) return barred;
    const finding = await findingById(at, page.id, wish.findingId, '');
    if (finding?.slip === undefined) return done([]);
    const pages = await pagesWithSlip(at, page.collection_id, finding.slip, dayIn(page.time_zone, services.now()), MOST_PAGES);
    return done(pages.length > 1 ? pages : []);
  });
}

/** What can be done to one slip. */
export type SlipAct = Exclude<StrokeAct, PagesAct>;
/** What can be done to pages that were chosen together. */
export type PagesAct = 'certain' | 'sign off';

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

const ACTS: Record<StrokeAct, Act> = {
  fix: 'change a page',
  certain: 'change a page',
  elsewhere: 'rule',
  'no problem': 'rule',
  'sign off': 'sign off',
};

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
  /** Addresses of pages in the application. */
  pages: readonly string[];
}

/** Does one thing to pages that were chosen together, in the background. */
export function strokePagesOver(services: Services, actor: Actor, wish: WishedOnPages): Promise<Result<{ stroke: number; pages: number }>> {
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, ACTS[wish.act], { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const pages = await pagesNamed(trx, collection.id, wish.pages);
    if (pages.length === 0) return notFound('These pages');
    const none = { slip: null, rule: null, remedy: null, inputs: {}, finding_id: null };
    const stroke = await addStroke(trx, { ...none, collection_id: collection.id, act: wish.act, made_by: actor.id }, pages);
    await setStrokeJob(trx, stroke, await inTheBackground(trx, actor, STROKE, stroke, pages, PAGE_ACTS[wish.act]));
    return done({ stroke, pages: pages.length });
  });
}

const PAGE_ACTS: Record<PagesAct, string> = { certain: 'What is certain, fixed', 'sign off': 'Signed off' };

/** Pages in one job. */
const TOGETHER = 8;

function inTheBackground(trx: Write, actor: Actor, kind: string, stroke: number, pages: readonly number[], what: string): Promise<string> {
  const jobs: NewJob[] = [];
  for (let at = 0; at < pages.length; at += TOGETHER) jobs.push({ kind, payload: { stroke, pages: pages.slice(at, at + TOGETHER) } });
  return enqueueUnder(trx, actor.id, STROKES, jobs, { what, pages: pages.length });
}

interface Some {
  stroke: number;
  pages: readonly number[];
}

/** How often a page is tried again that others changed meanwhile. */
const ATTEMPTS = 5;

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

type Failed = Extract<Result<unknown>, { ok: false }>;

/** That a page has nothing that is certain is no news: it is left without a word. */
function whyOf({ act }: Stroke, { problem: { code, what, why } }: Failed): string {
  if (act === 'certain' && code === 'declined') return '';
  return why ? `${what}: ${why}` : what;
}

/** Tries again where somebody changed the page in the same moment. */
async function again(services: Services, pageId: number, attempt: (version: number) => Promise<Result<unknown>>): Promise<Result<unknown>> {
  for (let nth = 1; ; nth++) {
    const page = await pageById(services.db, pageId);
    if (!page) return notFound('This page');
    const result = await attempt(page.version);
    if (result.ok || result.problem.code !== 'conflict' || nth >= ATTEMPTS) return result;
  }
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

/** Decides about the slip on one page. Done twice it finds nothing open. */
async function decideOn(services: Services, actor: Actor, stroke: Stroke, pageId: number): Promise<Result<unknown>> {
  const seen = await see(services, actor, 'rule', pageId);
  if (!seen.ok) return seen;
  let { version } = seen.value.page;
  const own = openOn(services, seen.value).filter(({ slip }) => slip === stroke.slip);
  for (const { id: findingId } of own) {
    const about = { pageId, version, findingId };
    const settled =
      stroke.act === 'elsewhere'
        ? await setElsewhere(services, actor, { ...about, elsewhere: true })
        : await rule(services, actor, { ...about, answer: 'no problem' });
    if (!settled.ok) return settled;
    version = settled.value.version;
  }
  await markStrokePage(services.db, { stroke: stroke.id, page: pageId }, { state: 'done', findings: own.map(({ id }) => id) });
  return done(null);
}

/** Takes a stroke back wherever it was made, in the background: a fix is undone beside whatever was changed since. */
export function unmakeStroke(services: Services, actor: Actor, wish: { stroke: number }): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const stroke = await strokeById(trx, wish.stroke);
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
    await inTheBackground(trx, actor, STROKE_BACK, stroke.id, pages, `${nameOf(stroke)}, taken back`);
    return done({ pages: pages.length });
  });
}

/** A job: takes a stroke back on some pages. */
export async function takeStrokeBackOn(services: Services, wish: Some): Promise<void> {
  const stroke = await strokeById(services.db, wish.stroke);
  const actor = stroke?.taken_back_by ? await personById(services.db, stroke.taken_back_by) : undefined;
  if (!stroke || !actor) return;
  for (const made of await strokePages(services.db, stroke.id, 'done', wish.pages)) {
    const result = await again(services, made.page_id, (version) =>
      stroke.act === 'fix' || stroke.act === 'certain'
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
