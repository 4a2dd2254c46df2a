import { DEFAULT_PROFILE, isCertain, REMEDIES, ruleOf, sentenceOf, type Family, type FindingOutcome, type Neighbours, type Weight } from '@inkwell/core';
import {
  collectionBySlug, collections, findingsIn, lastSignOff, OPEN_STANDINGS, pageBySlug, pagesWithCounts, neighbourPages, revisionLines, revisionOf, rulingsOn, waiversOn,
  type Answer, type Collection, type Database, type PageCounts, type PageLink, type Standing, type StoredFinding,
} from '@inkwell/store';
import { done, notFound, type Result } from './problems.ts';
import { openVerdict, pageStanding, standingOfCounts, tallyOf, type PageStanding, type Tally } from './standing.ts';
import { neighboursIn } from './surroundings.ts';
import { endDueWaivers } from './waive.ts';

/** One collection on the shelf: how far its pages are. */
export interface ShelfRow {
  slug: string;
  title: string;
  kind: Collection['kind'];
  pages: number;
  standings: Partial<Record<PageStanding, number>>;
  tally: Tally;
}

export async function shelf(db: Database): Promise<ShelfRow[]> {
  await endDueWaivers(db);
  const rows: ShelfRow[] = [];
  for (const collection of await collections(db)) {
    const pages = await pagesWithCounts(db, collection.id);
    const standings: ShelfRow['standings'] = {};
    for (const page of pages) {
      const standing = standingOfCounts(page);
      standings[standing] = (standings[standing] ?? 0) + 1;
    }
    rows.push({ slug: collection.slug, title: collection.title, kind: collection.kind, pages: pages.length, standings, tally: tallyOf(pages.flatMap((page) => judged(page.counts))) });
  }
  return rows;
}

/** One page in the ledger. */
export interface LedgerRow {
  slug: string;
  title: string;
  contentType: string;
  scope: string;
  revision: number;
  standing: PageStanding;
  tally: Tally;
  /** Open findings by family. */
  families: Partial<Record<Family, number>>;
}

export interface Ledger {
  slug: string;
  title: string;
  kind: Collection['kind'];
  pages: LedgerRow[];
}

export async function ledger(db: Database, slug: string): Promise<Result<Ledger>> {
  await endDueWaivers(db);
  const collection = await collectionBySlug(db, slug);
  if (!collection) return notFound('This collection');
  const pages = await pagesWithCounts(db, collection.id);
  return done({ slug, title: collection.title, kind: collection.kind, pages: pages.map(ledgerRow) });
}

function ledgerRow(page: PageCounts): LedgerRow {
  const families: LedgerRow['families'] = {};
  for (const count of page.counts) families[count.family as Family] = (families[count.family as Family] ?? 0) + count.many;
  return { slug: page.slug, title: page.title, contentType: page.content_type, scope: page.scope, revision: page.head, standing: standingOfCounts(page), tally: tallyOf(judged(page.counts)), families };
}

function judged(counts: PageCounts['counts']) {
  return counts as (PageCounts['counts'][number] & { weight: Weight; outcome: FindingOutcome; ruled: Answer | null })[];
}

/** A finding as the Desk shows it: a note. */
export interface Note extends StoredFinding {
  title: string;
  sentence: string;
  /** Who is hurt and how, and what to do, in the rule's words. */
  why: string;
  fix: string;
  question: { ask: string; yes: string; no: string } | null;
  /** One of its corrections needs no person; whether it acts here, the engine says. */
  sure: boolean;
  ruling: { answer: Answer; by: string; at: string } | null;
  waiver: { reason: string; until: string; by: string } | null;
}

export interface RevisionView {
  number: number;
  cause: string;
  note: string;
  by: string;
  at: string;
}

/** All the Desk needs of one page. */
export interface Desk {
  pageId: number;
  collection: { slug: string; title: string };
  slug: string;
  title: string;
  contentType: string;
  scope: 'document' | 'fragment';
  address: string;
  revision: RevisionView;
  html: string;
  /** Everything the audit of this revision saw, ruled out or not, in document order. */
  notes: Note[];
  standing: PageStanding;
  tally: Tally;
  fixedHere: number;
  canUndo: boolean;
  canRedo: boolean;
  signOff: { revision: number; by: string; at: string; lapsedBy: number | null } | null;
  /** The pages before and after it in the collection. */
  beside: { before: PageLink | null; after: PageLink | null };
  /** What the collection holds that the engine has a use for. */
  neighbours: Neighbours;
  history: RevisionView[];
}

export async function desk(db: Database, collection: string, slug: string): Promise<Result<Desk>> {
  await endDueWaivers(db);
  const page = await pageBySlug(db, collection, slug);
  if (!page) return notFound('This page');
  const [head, seen, rulings, signed, lines, neighbours, fixed, waivers, beside] = await Promise.all([
    revisionOf(db, page.id, page.head), findingsIn(db, page.id, page.head), rulingsOn(db, page.id), lastSignOff(db, page.id), revisionLines(db, page.id),
    neighboursIn(db, page.collection_id), countFixed(db, page.id), waiversOn(db, page.id), neighbourPages(db, page),
  ]);
  const answers = new Map(rulings.map((ruling) => [ruling.finding_id, { answer: ruling.answer, by: ruling.by, at: ruling.made_at.toISOString() }]));
  const exceptions = new Map(waivers.map(({ finding_id, reason, until, by }) => [finding_id, { reason, until, by }]));
  const history = lines.map(({ made_at, number, cause, note, by }) => ({ number, cause, note, by, at: made_at.toISOString() }));
  const findings = seen.filter((finding) => finding.asked);
  const open = findings.filter((finding) => OPEN_STANDINGS.includes(finding.standing));
  return done({
    pageId: page.id,
    collection: { slug: page.collection_slug, title: page.collection_title },
    slug: page.slug, title: page.title, contentType: page.content_type, scope: page.scope, address: page.address,
    revision: history[0]!,
    html: head!.html,
    notes: findings.map((finding) => ({ ...finding, ...wordsOf(finding), ruling: answers.get(finding.id) ?? null, waiver: exceptions.get(finding.id) ?? null })),
    standing: pageStanding(openVerdict(findings, DEFAULT_PROFILE), signed && !signed.lapsed_at ? signed.revision : null, Boolean(signed?.lapsed_at)),
    tally: tallyOf(open),
    fixedHere: fixed,
    canUndo: head!.content_before !== null,
    canRedo: page.redo.length > 0,
    signOff: signed ? { revision: signed.revision, by: signed.by, at: signed.signed_at.toISOString(), lapsedBy: signed.lapsed_by_revision } : null,
    beside,
    neighbours,
    history,
  });
}

function wordsOf(finding: StoredFinding): Pick<Note, 'title' | 'sentence' | 'why' | 'fix' | 'question' | 'sure'> {
  const rule = ruleOf(finding.rule);
  return {
    title: rule?.title ?? finding.rule,
    sentence: sentenceOf(finding),
    why: rule?.why ?? '',
    fix: rule?.fix ?? '',
    question: rule?.question ?? null,
    sure: finding.outcome === 'failed' && (rule?.remedies.some((name) => isCertain(REMEDIES[name], finding.rule)) ?? false),
  };
}

async function countFixed(db: Database, pageId: number): Promise<number> {
  const { many } = await db.selectFrom('findings').select((eb) => eb.fn.countAll<string>().as('many')).where('page_id', '=', pageId).where('standing', '=', 'fixed').where('asked', '=', true).executeTakeFirstOrThrow();
  return Number(many);
}

export function isOpen(standing: Standing): boolean {
  return OPEN_STANDINGS.includes(standing);
}
