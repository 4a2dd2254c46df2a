import { CRITERIA, samplePages, type CriterionOutcome } from '@inkwell/core';
import type { ReportSaid } from '@inkwell/formats';
import {
  dropSample,
  FAMILIES,
  keepReport,
  keptReport,
  keptReports,
  sampleCandidates,
  sampleOf,
  snapshot,
  writeJudgement,
  writeSample,
  writing,
  type JudgedOutcome,
  type KeptReport,
} from '@inkwell/store';
import { may, type Actor } from '../actor.ts';
import { inCollection } from '../inCollection.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { makeReport, reportScope, type ReportWish } from './make.ts';

/** A report on screen: as it stands now, with those that were kept, and what whoever sees it may do. */
export interface ReportShown {
  said: ReportSaid;
  kept: KeptReport[];
  sample: { seed: number; by: string; at: string; of: number } | null;
  can: { judge: boolean; keep: boolean };
}

export async function showReport(services: Services, actor: Actor, wish: ReportWish): Promise<Result<ReportShown>> {
  const said = await makeReport(services, actor, wish);
  if (!said.ok) return said;
  return snapshot(services.db, async (at) => {
    const asked = await reportScope(at, actor, wish);
    if (!asked.ok) return asked;
    const { scope } = asked.value;
    const on = { collection: scope.collection };
    return done({
      said: said.value,
      kept: await keptReports(at, scope.collection, scope.page),
      sample: (await sampleOf(at, scope.collection)) ?? null,
      can: { judge: may(actor, 'rule', on), keep: may(actor, 'look after a collection', on) },
    });
  });
}

/** Keeps a report as it stands now, so that later ones can be compared with it. */
export async function keepReportNow(services: Services, actor: Actor, wish: ReportWish): Promise<Result<{ id: number }>> {
  const said = await makeReport(services, actor, wish);
  if (!said.ok) return said;
  return writing(services.db, async (trx) => {
    const allowed = await inCollection(trx, actor, 'look after a collection', wish.collection);
    if (!allowed.ok) return allowed;
    const asked = await reportScope(trx, actor, wish);
    if (!asked.ok) return asked;
    const { collection, page } = asked.value.scope;
    return done({ id: await keepReport(trx, { collection, page, by: actor.id, said: said.value }) });
  });
}

/** What changed between two reports of one thing. */
export interface ReportsCompared {
  before: ReportSaid['made'] & Pick<ReportSaid, 'totals' | 'hours' | 'verdicts' | 'standard'> & { pages: number };
  after: ReportsCompared['before'];
  /** Criteria whose outcome or open failures differ, or that only one of them asks for. */
  criteria: { id: string; title: string; before: Told | null; after: Told | null }[];
  pages: { slug: string; title: string; before: string | null; after: string | null }[];
}
interface Told {
  outcome: CriterionOutcome;
  failed: number;
  open: number;
}

/** A kept report beside another one, or beside how it stands now. */
export async function compareReports(
  services: Services,
  actor: Actor,
  wish: ReportWish & { before: number; after: number | null },
): Promise<Result<ReportsCompared>> {
  const found = await inCollection(services.db, actor, 'see', wish.collection);
  if (!found.ok) return found;
  const kept = async (id: number) => (await keptReport(services.db, found.value.id, id)) as ReportSaid | undefined;
  const before = await kept(wish.before);
  const now = wish.after === null ? await makeReport(services, actor, wish) : null;
  if (now && !now.ok) return now;
  const after = now ? now.value : await kept(wish.after!);
  return before && after ? done(compared(before, after)) : notFound('This report');
}

function compared(before: ReportSaid, after: ReportSaid): ReportsCompared {
  const head = ({ made, totals, hours, verdicts, standard, subject }: ReportSaid) => ({
    ...made,
    totals,
    hours,
    verdicts,
    standard,
    pages: subject.pages,
  });
  const ids = [...new Set([...before.criteria, ...after.criteria].map(({ id }) => id))];
  const told = (said: ReportSaid, id: string): Told | null => {
    const one = said.criteria.find((criterion) => criterion.id === id);
    return one ? { outcome: one.outcome, failed: one.counts.failed, open: one.counts.open } : null;
  };
  const titleOf = (id: string) => CRITERIA.find((one) => one.id === id)?.title ?? id;
  const standing = (said: ReportSaid) => new Map(said.pages.map((page) => [page.slug, page]));
  const [was, is] = [standing(before), standing(after)];
  const word = (page: ReportSaid['pages'][number] | undefined) =>
    page && (page.release === 'draft' ? page.verdict : `${page.verdict}, ${page.release}`);
  return {
    before: head(before),
    after: head(after),
    criteria: ids
      .map((id) => ({ id, title: titleOf(id), before: told(before, id), after: told(after, id) }))
      .filter((one) => JSON.stringify(one.before) !== JSON.stringify(one.after)),
    pages: [...new Set([...was.keys(), ...is.keys()])]
      .map((slug) => ({
        slug,
        title: (is.get(slug) ?? was.get(slug))!.title,
        before: word(was.get(slug)) ?? null,
        after: word(is.get(slug)) ?? null,
      }))
      .filter((one) => one.before !== one.after),
  };
}

const WORDS = 4_000;

/** Writes down what somebody judged of a criterion for a whole collection; an outcome of null takes it back. */
export async function judgeCriterion(
  services: Services,
  actor: Actor,
  wish: { collection: string; criterion: string; outcome: JudgedOutcome | null; words: string },
): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const found = await inCollection(trx, actor, 'rule', wish.collection);
    if (!found.ok) return found;
    if (!CRITERIA.some(({ id }) => id === wish.criterion)) return notFound('This criterion');
    const words = wish.words.trim().slice(0, WORDS);
    if (wish.outcome !== null && words === '')
      return refused({
        code: 'bad-page',
        what: 'A judgement says how it was reached',
        why: 'Who reads the report wants to know what was tried, and on which pages.',
        kept: 'What you chose is still in the form.',
        next: 'Write it in a sentence.',
      });
    const at = { collection: found.value.id, criterion: wish.criterion, by: actor.id };
    await writeJudgement(trx, at, wish.outcome === null ? null : { outcome: wish.outcome, words });
    return done(null);
  });
}

/** Pages of the structured part of a sample, at most. */
const MOST_SAMPLED = 60;

/** Draws a sample of a collection that is too large to be judged whole, or lets it go (seed of null). A seed draws the same pages again. */
export async function drawSample(
  services: Services,
  actor: Actor,
  wish: { collection: string; seed: number | null; most: number },
): Promise<Result<{ pages: number }>> {
  return writing(services.db, async (trx) => {
    const found = await inCollection(trx, actor, 'look after a collection', wish.collection);
    if (!found.ok) return found;
    const { id } = found.value;
    if (wish.seed === null) {
      await dropSample(trx, id);
      return done({ pages: 0 });
    }
    const candidates = (await sampleCandidates(trx, id)).map(({ families, ...page }) => ({
      ...page,
      families: Object.fromEntries(FAMILIES.flatMap((family, nth) => (families[nth]! > 0 ? [[family, families[nth]!]] : []))),
    }));
    const pages = samplePages(candidates, wish.seed, Math.min(MOST_SAMPLED, Math.max(1, wish.most)));
    await writeSample(trx, { collection: id, seed: wish.seed, many: candidates.length, by: actor.id }, pages);
    return done({ pages: pages.length });
  });
}
