import { sentenceOf } from '@inkwell/core';
import {
  collectionBySlug,
  findingById,
  house,
  pageById,
  pagesWithSlip,
  slipsOver,
  snapshot,
  strokeById,
  strokeLines,
  type PageWithSlip,
  type SlipLine,
  type StrokeLine,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { titleOf } from '../fix.ts';
import { done, notFound, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { nameOf, wordFor } from './acts.ts';

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
export interface StrokeView extends Omit<StrokeLine, 'made_at' | 'mends'> {
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

export function strokeView({ made_at, mends, ...line }: StrokeLine): StrokeView {
  return { ...line, title: nameOf({ ...line, mends }), label: wordFor(line), at: made_at.toISOString() };
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

/** Pages told for one slip at most. */
export const MOST_PAGES = 5_000;

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
