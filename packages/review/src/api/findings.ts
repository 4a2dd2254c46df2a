import { CRITERIA, reported, RULES, type ReportedFinding } from '@inkwell/core';
import {
  apiFindings,
  collectionBySlug,
  findingPlace,
  house,
  personIdWith,
  snapshot,
  type ApiFinding,
  type ApiFindingsWish,
  type Standing,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, visibleTo, type Actor } from '../actor.ts';
import { handOut, takeFrom } from '../docket/docket.ts';
import { letStand, rule } from '../judge.ts';
import { addressFrom } from '../people/words.ts';
import { done, notFound, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

/** A finding as the audit has it, with where it is and how it stands. */
export interface FindingTold extends ReportedFinding {
  id: number;
  page: { id: number; address: string };
  standing: Standing;
  assignee: { id: string; name: string } | null;
  firstRevision: number;
}

function toldOf(finding: ApiFinding): FindingTold {
  const { id, page, pageAddress, standing, assignee, firstRevision } = finding;
  return { id, page: { id: page, address: pageAddress }, ...reported(finding), standing, assignee, firstRevision };
}

const STANDINGS: readonly Standing[] = ['open', 'fixed', 'returned', 'ruled out', 'excepted', 'elsewhere'];

/** What findings may be asked for by, and what may be said of each; null: anything. */
export const FINDING_FILTERS = {
  rule: RULES.map(({ id }) => id as string),
  family: [...new Set(RULES.map(({ id }) => id.split('/')[0]!))],
  weight: ['must', 'should', 'consider'],
  outcome: ['failed', 'cantTell'],
  criterion: CRITERIA.map(({ id }) => id),
  standing: STANDINGS,
  page: null,
  person: null,
} as const;

export type FindingFilters = { [K in keyof typeof FINDING_FILTERS]?: readonly string[] };

/** Findings of a collection, by id, behind one. */
export function findingsTold(
  services: Services,
  actor: Actor,
  wish: { collection: string; after: number; limit: number; filters: FindingFilters },
): Promise<Result<{ findings: FindingTold[]; next: number | null }>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    const barred = collection ? unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection') : notFound('This collection');
    if (barred) return barred;
    const { page, ...filters } = wish.filters;
    const asked: ApiFindingsWish = {
      ...filters,
      ...(page ? { page: page.map(Number) } : {}),
      ...(filters.criterion ? { citing: citing(filters.criterion) } : {}),
      ...{ collection: collection!.id, after: wish.after, limit: wish.limit + 1 },
    };
    const rows = await apiFindings(at, asked, await todayOf(at, services));
    const findings = rows.slice(0, wish.limit);
    return done({ findings: findings.map(toldOf), next: rows.length > wish.limit ? findings.at(-1)!.id : null });
  });
}

const citing = (criteria: readonly string[]) =>
  RULES.filter((one) => one.criteria.some((criterion) => criteria.includes(criterion))).map(({ id }) => id as string);

const todayOf = async (at: Write, services: Services) => dayIn((await house(at)).timeZone, services.now());

/** What is decided about a finding. */
export type Decision =
  | { kind: 'rule'; answer: 'stands' | 'no problem' | 'not sure' }
  | { kind: 'except'; reason: string; until: string }
  | { kind: 'assign'; to: string | null; due: string | null; words: string; site: string };

interface OnOne {
  id: number;
  collection: string | null;
}

/** Decides about a finding as its page stands, through the same door as the screens, and tells how it stands then. */
export async function decideOn(services: Services, actor: Actor, wish: OnOne & { decision: Decision }): Promise<Result<FindingTold>> {
  const place = await placeOf(services, actor, wish);
  if (!place.ok) return place;
  const { page, version, collection, slug } = place.value;
  const on = { pageId: page, version, findingId: wish.id };
  const { decision } = wish;
  const decided =
    decision.kind === 'rule'
      ? await rule(services, actor, { ...on, answer: decision.answer })
      : decision.kind === 'except'
        ? await letStand(services, actor, { ...on, reason: decision.reason, until: decision.until })
        : await assign(services, actor, { collection, slug, finding: wish.id, ...decision });
  return decided.ok ? findingTold(services, actor, wish) : decided;
}

type Assign = Extract<Decision, { kind: 'assign' }> & { collection: string; slug: string; finding: number };

async function assign(services: Services, actor: Actor, wish: Assign): Promise<Result<unknown>> {
  const { collection, slug, finding, to, due, words, site } = wish;
  if (to === null) return takeFrom(services, actor, { collection, findings: [finding] });
  const person = await personIdWith(services.db, addressFrom(to) ?? '');
  return handOut(services, actor, { collection, to: person ?? '', due, words, pages: [slug], findings: [finding], site });
}

async function placeOf(services: Services, actor: Actor, { id, collection }: OnOne) {
  const place = await findingPlace(services.db, id);
  const visible = visibleTo(actor);
  const isSeen =
    place && (visible === null || visible.includes(place.collectionId)) && (collection === null || place.collection === collection);
  return isSeen ? done(place) : notFound('This finding');
}

/** One finding as it stands. */
export async function findingTold(services: Services, actor: Actor, wish: OnOne): Promise<Result<FindingTold>> {
  const place = await placeOf(services, actor, wish);
  if (!place.ok) return place;
  return snapshot(services.db, async (at) => {
    const asked = { collection: place.value.collectionId, after: wish.id - 1, limit: 1 };
    const [found] = await apiFindings(at, asked, await todayOf(at, services));
    return found?.id === wish.id ? done(toldOf(found)) : notFound('This finding');
  });
}
