import {
  becameWhat,
  fileByHash,
  goneWith,
  house,
  packageById,
  packagePages,
  packageTypes,
  pastedSums,
  slugOfPackage,
  snapshot,
  type Became,
  type GonePage,
  type Package,
  type PackagePage,
  type PackageState,
  type Write,
  NOT_EXAMINED,
} from '@inkwell/store';
import { jobById } from '@inkwell/work';
import { unlessAllowed, type Actor } from '../actor.ts';
import { manyByKind } from '../attachments.ts';
import { costFromSample, houseEffort, type Cost } from '../effort.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { keptTally, type Tally } from '../tally.ts';
import { PAGES_IN_JOB, reachOf } from './receive.ts';

export interface PackageView {
  id: number;
  name: string;
  size: number;
  state: PackageState;
  problem: string | null;
  kind: Package['kind'];
  title: string;
  /** How much has come, while it is fetched from its host. */
  fetched: Package['fetched'];
  files: number;
  pages: number;
  troubles: { path: string; what: string }[];
  /** Of its pages those that could not be examined: each is among the troubles, with the reason. */
  notExamined: number;
  types: { type: string; many: number }[];
  /** What it holds that is no page: nobody looks inside by looking at a page. */
  attached: { kinds: { kind: string; many: number }[]; files: Package['attached'] };
  /** Of its pages those that carry pasted markup, and what was said of them. */
  pasted: { pages: number; toClean: number; toLeave: number };
  /** What it would take until all its pages pass, from some of them that were looked at; null of a newer version. */
  cost: { looked: number; open: number; cost: Cost } | null;
  /** A part of its pages, in reading order. */
  shown: Pick<PackagePage, 'position' | 'path' | 'title' | 'scope' | 'content_type' | 'listed' | 'became'>[];
  /** The position behind which more follow; null when these are the last. */
  next: number | null;
  /** How many of its pages have been examined, while they arrive. */
  progress: { done: number; total: number } | null;
  /** The address of its collection, once all is here; of a newer version from the beginning. */
  collection: string | null;
  /** Of a newer version: how many pages became what, and those it no longer holds. */
  newer: { became: Partial<Record<Became | 'gone', number>>; gone: GonePage[]; openBefore: Tally | null } | null;
}

/** Pages of a package shown at once. */
export const PACKAGE_PAGES = 100;
/** Pages that went, shown at most. */
const GONE_PAGES = 200;

export interface PackageWish {
  id: number;
  /** The position behind which its pages are shown. */
  after: number;
  /** Only those of a newer version that became this. */
  became?: Became | undefined;
}

/** A package as it stands: on its way to be read, waiting for a word, arriving or here. */
export async function showPackage(services: Services, actor: Actor, wish: PackageWish): Promise<Result<PackageView>> {
  return snapshot(services.db, async (at) => {
    const found = await packageById(at, wish.id);
    if (!found) return notFound('This package');
    return unlessAllowed(actor, 'bring in', reachOf(found), 'This package') ?? done(await viewOf(services, at, found, wish));
  });
}

async function viewOf(services: Services, at: Write, found: Package, wish: PackageWish): Promise<PackageView> {
  const pages = await packagePages(at, found.id, { ...wish, limit: PACKAGE_PAGES + 1 });
  const became = found.renews === null ? {} : await becameWhat(at, found.id);
  const { id, name, state, problem, kind, title, files, pages: many, troubles, attached } = found;
  return {
    id,
    name,
    size: (await fileByHash(at, found.sha256))?.size ?? 0,
    state,
    problem,
    kind,
    title,
    fetched: found.wanted && state === 'waiting' ? (found.fetched ?? { pages: 0, files: 0 }) : null,
    files,
    pages: many,
    troubles,
    notExamined: troubles.filter(({ what }) => what.startsWith(NOT_EXAMINED)).length,
    attached: { kinds: manyByKind(attached), files: attached },
    pasted: await pastedSums(at, id),
    cost: await costBefore(services, at, found),
    types: await packageTypes(at, id),
    shown: pages.slice(0, PACKAGE_PAGES).map(({ position, path, title: called, scope, content_type, listed, became: what }) => ({
      position,
      path,
      title: called,
      scope,
      content_type,
      listed,
      became: what,
    })),
    next: pages.length > PACKAGE_PAGES ? pages[PACKAGE_PAGES - 1]!.position : null,
    progress: await progressOf(at, found, became),
    collection: await collectionOf(at, found),
    newer: found.renews === null ? null : { became, gone: await goneWith(at, id, GONE_PAGES), openBefore: keptTally(found.open_before) },
  };
}

async function costBefore(services: Services, at: Write, { state, pages, sample }: Package): Promise<PackageView['cost']> {
  if (state !== 'read' || sample.length === 0) return null;
  const cost = costFromSample(await houseEffort(services, at), await house(at), sample, pages);
  const open = sample.flatMap((counts) => Object.values(counts)).reduce((sum, many) => sum + many, 0);
  return { looked: sample.length, open, cost };
}

async function progressOf(at: Write, found: Package, became: Partial<Record<Became | 'gone', number>>): Promise<PackageView['progress']> {
  const job = found.job_id === null ? null : await jobById(at, found.job_id);
  const total = found.renews === null ? found.pages : found.pages - (became['as it was'] ?? 0) - (became.moved ?? 0);
  return job ? { done: Math.min(total, job.done * PAGES_IN_JOB), total } : null;
}

async function collectionOf(at: Write, { renews, state, collection_id: own }: Package): Promise<string | null> {
  const reached = renews ?? (state === 'here' ? own : null);
  return reached === null ? null : ((await slugOfPackage(at, reached)) ?? null);
}
