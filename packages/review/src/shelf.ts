import { hoursFor, type Effort, type Family, type Verdict } from '@inkwell/core';
import {
  collectionBySlug,
  house,
  ledgerLines,
  ledgerNarrowing,
  ledgerSums,
  newestVersion,
  placeOf,
  shelfSums,
  snapshot,
  type Collection,
  type LedgerLine,
  type LedgerNarrowing,
  type LedgerOrder,
  type LedgerWish,
  type Release,
  type Version,
  type HouseRow,
} from '@inkwell/store';
import { unlessAllowed, visibleTo, type Actor } from './actor.ts';
import { costOf, houseEffort, type Cost } from './effort.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';
import { keptTally, type Tally } from './tally.ts';

/** One collection on the shelf: how far its pages are. */
export interface ShelfRow {
  slug: string;
  title: string;
  kind: Collection['kind'];
  /** Done with, and apart on the shelf. */
  putAway: boolean;
  pages: number;
  verdicts: Record<Verdict, number>;
  signedOff: number;
  published: number;
  lapsed: number;
  tally: Tally;
  hours: number;
  /** What changed last: which page, by whom and when. */
  last: { page: string; by: string; at: string } | null;
}

/** The collections an actor may see, each summed from its pages' status. */
export function shelf(services: Services, actor: Actor): Promise<Result<ShelfRow[]>> {
  return snapshot(services.db, async (at) => {
    const today = dayIn((await house(at)).timeZone, services.now());
    const rows = await shelfSums(at, visibleTo(actor), today);
    const { others } = await houseEffort(services, at);
    return done(
      rows.map(
        ({
          slug,
          title,
          kind,
          putAway,
          pages,
          must,
          should,
          consider,
          questions,
          held,
          judge,
          ready,
          signed,
          published,
          lapsed,
          last,
        }) => ({
          slug,
          title,
          kind,
          putAway,
          pages,
          verdicts: { held, judge, ready },
          signedOff: signed,
          published,
          lapsed,
          tally: { must, should, consider, judge: questions },
          hours: hoursFor(must + should + consider + questions, others.minutes),
          last,
        }),
      ),
    );
  });
}

/** One page in the ledger. */
export interface LedgerRow {
  slug: string;
  title: string;
  contentType: string;
  /** The part of the collection it lies in; '' for none. */
  part: string;
  revision: number;
  verdict: Verdict;
  release: Release;
  tally: Tally;
  /** Open findings by family. */
  families: Partial<Record<Family, number>>;
  /** What its open findings will take. */
  hours: number;
}

export interface Ledger {
  id: number;
  slug: string;
  title: string;
  kind: Collection['kind'];
  putAway: boolean;
  /** The version it is at, where it came as a package; what was open before a newer one. */
  version: { package: number; nth: number; name: string; by: string; at: string; openBefore: Tally | null } | null;
  choice: LedgerChoice;
  /** What it can be narrowed by; null with pages further on. */
  narrowing: LedgerNarrowing | null;
  /** What the whole choice comes to, all its pages counted. */
  sums: { pages: number; tally: Tally; families: Partial<Record<Family, number>>; cost: Cost };
  pages: LedgerRow[];
  /** Where the next pages begin; null when there are no more. */
  next: string | null;
}

/** Which pages of a collection, and in which order. */
export interface LedgerChoice {
  order: LedgerOrder;
  verdict?: Verdict;
  release?: Release;
  family?: Family;
  contentType?: string;
  part?: string;
  by?: string;
  words?: string;
  /** A place as `next` gave it. */
  after?: string;
}

/** Pages shown at one time. */
export const LEDGER_PAGES = 100;

export function ledger(services: Services, actor: Actor, wish: { collection: string; choice?: LedgerChoice }): Promise<Result<Ledger>> {
  const choice = wish.choice ?? { order: 'holding' };
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection || collection.arrived_at === null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const after = readPlace(choice);
    if (after === 'broken')
      return refused({
        code: 'bad-page',
        what: 'This place in the ledger is not known',
        why: 'The address was cut short or changed.',
        next: 'Begin at the first page again.',
      });
    const owner = await house(at);
    const effort = await houseEffort(services, at);
    const today = dayIn(owner.timeZone, services.now());
    const asked: LedgerWish = { ...choice, after, limit: LEDGER_PAGES };
    const lines = await ledgerLines(at, collection.id, asked, today);
    const sums = await ledgerSums(at, collection.id, asked, today);
    const version = await newestVersion(at, collection.id);
    const shown = lines.slice(0, LEDGER_PAGES);
    return done({
      id: collection.id,
      slug: collection.slug,
      title: collection.title,
      kind: collection.kind,
      putAway: collection.put_away_at !== null,
      version: version ? versionView(version) : null,
      choice,
      narrowing: choice.after === undefined ? await ledgerNarrowing(at, collection.id) : null,
      sums: {
        pages: sums.pages,
        families: sums.families,
        tally: tallyOf(sums),
        cost: costOf(effort, owner, sums.families),
      },
      pages: shown.map((line) => ledgerRow(line, effort, owner)),
      next: lines.length > LEDGER_PAGES ? Buffer.from(JSON.stringify(placeOf(shown.at(-1)!, choice.order))).toString('base64url') : null,
    });
  });
}

function versionView({ id, nth, name, by, here_at, open_before: open }: Version): Ledger['version'] {
  return { package: id, nth, name, by, at: here_at.toISOString(), openBefore: keptTally(open) };
}

function tallyOf({ must, should, consider, questions }: Pick<LedgerLine, 'must' | 'should' | 'consider' | 'questions'>): Tally {
  return { must, should, consider, judge: questions };
}

function ledgerRow(line: LedgerLine, effort: Effort, owner: HouseRow): LedgerRow {
  const families: LedgerRow['families'] = {};
  for (const [family, , , many] of line.counts) families[family] = (families[family] ?? 0) + many;
  return {
    slug: line.slug,
    title: line.title,
    contentType: line.content_type,
    part: line.part.join(' / '),
    revision: line.head,
    verdict: line.verdict,
    release: line.release,
    tally: tallyOf(line),
    families,
    hours: costOf(effort, owner, families).hours,
  };
}

function readPlace({ after, order }: LedgerChoice): LedgerWish['after'] | 'broken' {
  if (after === undefined) return undefined;
  try {
    const place = JSON.parse(Buffer.from(after, 'base64url').toString()) as unknown;
    const fits =
      Array.isArray(place) &&
      place.length === 2 &&
      typeof place[0] === (order === 'title' || order === 'part' ? 'string' : 'number') &&
      Number.isSafeInteger(place[1]);
    return fits ? (place as [string | number, number]) : 'broken';
  } catch {
    return 'broken';
  }
}
