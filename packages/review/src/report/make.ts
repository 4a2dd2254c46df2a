import {
  lookup,
  CRITERIA,
  outcomesUnder,
  NO_COUNTS,
  REGISTERS,
  ruleOf,
  RULES,
  type CriterionCounts,
  type Family,
  type Judged,
  type Profile,
} from '@inkwell/core';
import type { ReportSaid } from '@inkwell/formats';
import {
  collectionBySlug,
  criterionPages,
  house,
  judgements,
  pageBySlug,
  reportedAudits,
  reportedKinds,
  reportedPages,
  sampleOf,
  snapshot,
  type Collection,
  type HouseRow,
  type ReportedAudits,
  type ReportedKind,
  type ReportedPageLine,
  type ReportScope,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { costOf, houseEffort } from '../effort.ts';
import { done, notFound, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

/** What a report is asked for: a collection, one page of it, or its sample alone. */
export interface ReportWish {
  collection: string;
  page?: string | null;
  sampleOnly?: boolean;
}

/** What is asked for, when whoever asks may see it. */
export async function reportScope(
  at: Write,
  actor: Actor,
  wish: ReportWish,
): Promise<Result<{ scope: ReportScope; collection: Collection; title: string }>> {
  const collection = await collectionBySlug(at, wish.collection);
  if (!collection || collection.arrived_at === null) return notFound('This collection');
  const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
  if (barred) return barred;
  const page = wish.page ? await pageBySlug(at, collection.id, wish.page) : null;
  if (page === undefined) return notFound('This page');
  const scope = { collection: collection.id, page: page?.id ?? null, sampleOnly: wish.sampleOnly ?? false };
  return done({ scope, collection, title: page?.title ?? collection.title });
}

/** The record as it stands now, in as many statements whatever the size of the collection. */
export function makeReport(services: Services, actor: Actor, wish: ReportWish): Promise<Result<ReportSaid>> {
  // What is read makes no change; the memory it may take is set for this transaction alone.
  return snapshot(services.db, async (at) => {
    const asked = await reportScope(at, actor, wish);
    if (!asked.ok) return asked;
    const { scope, collection, title } = asked.value;
    const own = await house(at);
    const today = dayIn(own.timeZone, services.now());
    const read: Read = {
      kinds: await reportedKinds(at, scope, today),
      standsOn: await criterionPages(at, scope, CITING),
      pages: await reportedPages(at, scope),
      audits: await reportedAudits(at, scope, today),
      judged: new Map((await judgements(at, scope.collection)).map(({ criterion, ...said }) => [criterion, said as Judged])),
    };
    const sample = await sampleOf(at, scope.collection);
    const subject = {
      kind: scope.page === null ? ('collection' as const) : ('page' as const),
      ...{
        title,
        slug: wish.page ?? collection.slug,
        address: scope.page === null ? null : (read.pages[0]?.address ?? null),
        pages: read.pages.length,
      },
    };
    const chosen = (how: string) => read.pages.filter((page) => page.chosen === how).length;
    return done({
      ...{ subject, house: own.name, made: { at: services.now().toISOString(), by: actor.name } },
      ...contentOf(read),
      ...standardOf(read.audits),
      sample:
        scope.sampleOnly && sample
          ? { seed: sample.seed, of: sample.of, structured: chosen('structured'), random: chosen('random') }
          : null,
      criteria: criteriaOf(read),
      ...countsOf(read),
      hours: await hoursOf(services, at, own, read.kinds),
    });
  });
}

const CITING = RULES.flatMap(({ id: rule, criteria }) => criteria.map((criterion) => ({ rule, criterion })));

interface Read {
  /** Pages on which something of a criterion stands. */
  standsOn: Map<string, number>;
  kinds: ReportedKind[];
  pages: ReportedPageLine[];
  audits: ReportedAudits;
  judged: Map<string, Judged>;
}

const USED = (audits: ReportedAudits, register: (typeof REGISTERS)[number]) =>
  lookup(audits.registers, String(REGISTERS.indexOf(register))) ?? 0;

function contentOf({ pages, audits }: Read): Pick<ReportSaid, 'engines' | 'audited' | 'contentTypes' | 'present' | 'exceptions' | 'pages'> {
  const types = new Map<string, number>();
  for (const { contentType } of pages) types.set(contentType, (types.get(contentType) ?? 0) + 1);
  return {
    engines: audits.engines,
    audited: { from: audits.from, to: audits.to },
    contentTypes: [...types].map(([type, many]) => ({ type, pages: many })).sort((a, b) => b.pages - a.pages),
    present: { links: USED(audits, 'links'), images: USED(audits, 'images'), media: USED(audits, 'media'), tables: USED(audits, 'tables') },
    exceptions: audits.exceptions.map(({ rule, ...one }) => ({ ...one, title: ruleOf(rule)?.title ?? rule })),
    pages: pages.map(({ contentType: _, ...page }) => page),
  };
}

/** The standard most pages are held to, and all there are. */
function standardOf({ profiles }: ReportedAudits): Pick<ReportSaid, 'standard' | 'profiles'> {
  const told = profiles.map(({ name, version, selection, pages }) => {
    const { standard, level } = selection as Profile;
    return { name, version, standard, level, pages };
  });
  return { standard: { name: told[0]?.standard ?? '', level: told[0]?.level ?? '' }, profiles: told };
}

/** Each criterion that the strictest of the profiles asks for, with the counts of all findings that speak of it. */
function criteriaOf({ kinds, standsOn, audits, judged }: Read): ReportSaid['criteria'] {
  const counts = new Map<string, CriterionCounts>();
  const worst = new Map<string, ReportSaid['criteria'][number]['worst']>();
  for (const kind of kinds)
    for (const id of kind.criteria ?? ruleOf(kind.rule)?.criteria ?? []) {
      counts.set(id, added(counts.get(id) ?? { ...NO_COUNTS, pages: standsOn.get(id) ?? 0 }, kind));
      const isOpen = kind.standing !== 'fixed' && kind.standing !== 'ruled out';
      if (isOpen) worst.set(id, [...(worst.get(id) ?? []), ...kind.worst.map((one) => ({ ...one, rule: kind.rule }))]);
    }
  const profile = strictest(audits.profiles.map(({ selection }) => selection as Profile));
  if (!profile) return [];
  const present = { links: USED(audits, 'links') > 0, images: USED(audits, 'images') > 0, media: USED(audits, 'media') > 0 };
  return outcomesUnder(profile, counts, judged, present).map((one) => ({
    ...one,
    worst: (worst.get(one.id) ?? [])
      .sort((a, b) => b.many - a.many)
      .filter(firstOfPage)
      .slice(0, 3),
  }));
}

const firstOfPage = (one: { slug: string }, nth: number, all: readonly { slug: string }[]) =>
  all.findIndex(({ slug }) => slug === one.slug) === nth;

function strictest(profiles: readonly Profile[]): Profile | undefined {
  const asks = ({ standard, level }: Profile) =>
    CRITERIA.filter((one) => one.level.length <= level.length && one.since <= standard.replace('WCAG ', '')).length;
  return [...profiles].sort((a, b) => asks(b) - asks(a))[0];
}

function added(counts: CriterionCounts, { outcome, standing, many }: ReportedKind): CriterionCounts {
  if (standing === 'fixed') return counts;
  if (standing === 'ruled out') return { ...counts, answered: counts.answered + many };
  if (standing === 'excepted') return { ...counts, excepted: counts.excepted + many };
  if (standing === 'elsewhere') return { ...counts, elsewhere: counts.elsewhere + many };
  return outcome === 'failed' ? { ...counts, failed: counts.failed + many } : { ...counts, open: counts.open + many };
}

function countsOf({ kinds, pages, audits }: Read): Pick<ReportSaid, 'totals' | 'verdicts' | 'releases'> {
  const sum = (which: (kind: ReportedKind) => boolean) => kinds.filter(which).reduce((total, { many }) => total + many, 0);
  const open = (weight: string) => sum((one) => one.standing === 'open' && one.outcome === 'failed' && one.weight === weight);
  const of = (verdict: string) => pages.filter((page) => page.verdict === verdict).length;
  const out = (release: string) => pages.filter((page) => page.release === release).length;
  return {
    totals: {
      ...{ must: open('must'), should: open('should'), consider: open('consider') },
      questions: sum((one) => one.standing === 'open' && one.outcome === 'cantTell'),
      excepted: sum((one) => one.standing === 'excepted'),
      elsewhere: sum((one) => one.standing === 'elsewhere'),
      fixed: sum((one) => one.standing === 'fixed'),
      ruled: audits.ruled,
    },
    verdicts: { held: of('held'), judge: of('judge'), ready: of('ready') },
    releases: { signed: out('signed off'), published: out('published'), lapsed: out('lapsed') },
  };
}

async function hoursOf(services: Services, at: Write, own: HouseRow, kinds: readonly ReportedKind[]): Promise<ReportSaid['hours']> {
  const families: Partial<Record<Family, number>> = {};
  for (const { family, standing, many } of kinds) if (standing === 'open') families[family] = (families[family] ?? 0) + many;
  const { from, to } = costOf(await houseEffort(services, at), own, families);
  return { from, to };
}
