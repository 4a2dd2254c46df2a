import { pageById, type Stroke, type StrokeAct, type Write } from '@inkwell/store';
import { enqueueUnder, type NewJob } from '@inkwell/work';
import type { Act, Actor } from '../actor.ts';
import { labelOf, titleOf } from '../fix.ts';
import { STROKES } from '../jobs.ts';
import { wordsForMend } from '../registers/words.ts';
import { notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** What can be done to one slip. */
export type SlipAct = Exclude<StrokeAct, PagesAct | 'mend'>;
/** What can be done to pages that were chosen together. */
export type PagesAct = 'certain' | 'sign off';

export const ACTS: Record<StrokeAct, Act> = {
  fix: 'change a page',
  certain: 'change a page',
  elsewhere: 'rule',
  'no problem': 'rule',
  'sign off': 'sign off',
  mend: 'change a page',
};

export const PAGE_ACTS: Record<PagesAct, string> = { certain: 'What is certain, fixed', 'sign off': 'Signed off' };

/** What a stroke is about: the rule of its slip, or what was done to whole pages. */
export function nameOf({ rule: ofRule, act, mends }: Pick<Stroke, 'rule' | 'act' | 'mends'>): string {
  if (mends) return wordsForMend(mends);
  return ofRule === null ? PAGE_ACTS[act as PagesAct] : titleOf(ofRule);
}

export function wordFor({ act, remedy }: Pick<Stroke, 'act' | 'remedy'>): string {
  if (act === 'fix') return labelOf(remedy!);
  if (act === 'elsewhere') return 'told apart for the theme or host';
  if (act === 'mend') return 'from a register';
  return act === 'no problem' ? 'ruled no problem' : 'on pages chosen together';
}

/** Pages in one job. */
const TOGETHER = 8;

export function inTheBackground(
  trx: Write,
  actor: Actor,
  kind: string,
  stroke: number,
  pages: readonly number[],
  what: string,
): Promise<string> {
  const jobs: NewJob[] = [];
  for (let at = 0; at < pages.length; at += TOGETHER) jobs.push({ kind, payload: { stroke, pages: pages.slice(at, at + TOGETHER) } });
  return enqueueUnder(trx, actor.id, STROKES, jobs, { what, pages: pages.length });
}

/** Pages of a stroke that one job is about. */
export interface Some {
  stroke: number;
  pages: readonly number[];
}

/** How often a page is tried again that others changed meanwhile. */
const ATTEMPTS = 5;

type Failed = Extract<Result<unknown>, { ok: false }>;

/** That a page has nothing that is certain is no news: it is left without a word. */
export function whyOf({ act }: Stroke, { problem: { code, what, why } }: Failed): string {
  if (act === 'certain' && code === 'declined') return '';
  return why ? `${what}: ${why}` : what;
}

/** Tries again where somebody changed the page in the same moment. */
export async function again(
  services: Services,
  pageId: number,
  attempt: (version: number) => Promise<Result<unknown>>,
): Promise<Result<unknown>> {
  for (let nth = 1; ; nth++) {
    const page = await pageById(services.db, pageId);
    if (!page) return notFound('This page');
    const result = await attempt(page.version);
    if (result.ok || result.problem.code !== 'conflict' || nth >= ATTEMPTS) return result;
  }
}
