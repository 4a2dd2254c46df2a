import { isCertain, REMEDIES, ruleOf, sentenceOf, type Neighbours, type Verdict } from '@inkwell/core';
import {
  exceptionsOn,
  handedOn,
  isOpenOn,
  lastSignOff,
  pageForEngine,
  pagesBeside,
  questionsOn,
  lookedAtOn,
  revisionLines,
  remarksOf,
  rulingsOn,
  snapshot,
  type Answer,
  type PageForEngine,
  type PagesBeside,
  type Looked,
  type PlacedPage,
  type Release,
  type Role,
  type SignOff,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { askedOf } from './bars.ts';
import { seenAt } from './examine.ts';
import { gate, type GateWord } from './gate.ts';
import { done, notFound, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';
import { tallyOf, type Tally } from './tally.ts';

/** A finding as the Desk shows it: a note. */
export interface Note extends Omit<StoredFinding, 'occurrenceIds' | 'age' | 'kindId' | 'exceptedUntil' | 'sameSum'> {
  title: string;
  sentence: string;
  /** Who is hurt and how, and what to do, in the rule's words. */
  why: string;
  fix: string;
  question: { ask: string; yes: string; no: string } | null;
  /** One of its remedies needs no person; whether it acts here, the engine says. */
  sure: boolean;
  ruling: { answer: Answer; by: string; at: string } | null;
  exception: { reason: string; until: string; by: string } | null;
  /** Whom its question waits for. */
  waitsFor: Role | null;
  /** In whose hands it is. */
  handed: { name: string; by: string; due: string | null; words: string; mine: boolean } | null;
  /** How many remarks people have made about it. */
  remarks: number;
}

export interface RevisionView {
  number: number;
  cause: string;
  note: string;
  by: string;
  at: string;
}

export interface SignOffView {
  revision: number;
  by: string;
  at: string;
  /** What it lapsed by, once it has: 'exception' too when one ran out that nobody has written down yet. */
  lapsed: { because: string; by: string; revision: number | null; finding: number | null } | null;
}

/** All the Desk needs of one page. */
export interface Desk {
  pageId: number;
  /** What a decision or a change is based on. */
  version: number;
  collection: { id: number; slug: string; title: string };
  slug: string;
  title: string;
  contentType: string;
  scope: 'document' | 'fragment';
  address: string;
  /** Whether it came in a package: there it keeps its place. */
  packaged: boolean;
  /** Whether it is taken out of its collection. */
  out: boolean;
  revision: RevisionView;
  html: string;
  /** Everything the audit of this revision saw and the house asks for, settled or not, in document order. */
  notes: Note[];
  /** Titles of rules that failed in its audit: what they would find is not known. */
  failedRules: string[];
  verdict: Verdict;
  release: Release;
  tally: Tally;
  /** Open on the theme's or the host's side. */
  elsewhere: number;
  fixedHere: number;
  canUndo: boolean;
  canRedo: boolean;
  signOff: SignOffView | null;
  /** The pages before and after it in the collection, and the next with something open. */
  beside: PagesBeside;
  /** What the collection knows of the things the page names. */
  neighbours: Neighbours;
  history: RevisionView[];
  /** Steps of the walk that somebody looked at, and at which revision. */
  looked: Looked[];
}

/** A page under review, all of it read at one moment. */
export function desk(services: Services, actor: Actor, wish: { collection: string; page: string }): Promise<Result<Desk>> {
  return snapshot(services.db, async (at) =>
    show(at, services, actor, await pageForEngine(at, { collection: wish.collection, slug: wish.page })),
  );
}

/** The same by its number. */
export function deskOf(services: Services, actor: Actor, wish: { pageId: number }): Promise<Result<Desk>> {
  return snapshot(services.db, async (at) => show(at, services, actor, await pageForEngine(at, { id: wish.pageId })));
}

async function show(at: Write, services: Services, actor: Actor, found: PageForEngine | undefined): Promise<Result<Desk>> {
  if (!found) return notFound('This page');
  const { page } = found;
  const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
  if (barred) return barred;
  const { text, bar, findings: seen } = await seenAt(at, found);
  const today = dayIn(page.time_zone, services.now());
  const findings = askedOf(seen, bar);
  const word = await gate(at, page, services);
  const revisions = await revisionLines(at, page.id);
  const lines = revisions.map(({ made_at, number, cause, note, by }) => ({ number, cause, note, by, at: made_at.toISOString() }));
  return done({
    pageId: page.id,
    version: page.version,
    collection: { id: page.collection_id, slug: page.collection_slug, title: page.collection_title },
    slug: page.slug,
    title: page.title,
    contentType: page.content_type,
    scope: page.scope,
    address: page.address,
    packaged: page.entry !== null,
    out: page.gone_at !== null,
    revision: lines[0]!,
    html: text.html,
    notes: await notesOf(at, actor, page, findings, today),
    failedRules: found.troubles.map(({ rule }) => ruleOf(rule)?.title ?? rule),
    verdict: word.verdict,
    release: word.release,
    elsewhere: word.elsewhere,
    fixedHere: word.fixed,
    tally: tallyOf(findings.filter((finding) => isOpenOn(finding, today))),
    canUndo: revisions[0]!.content_before !== null,
    canRedo: page.redo.length > 0,
    signOff: signOffView(await lastSignOff(at, page.id), word),
    beside: await pagesBeside(at, page),
    neighbours: text.neighbours,
    history: lines,
    looked: await lookedAtOn(at, page.id),
  });
}

function signOffView(
  signed: (SignOff & { by: string; lapser: string | null }) | undefined,
  { release, holder }: GateWord,
): SignOffView | null {
  if (!signed) return null;
  const lapsed = signed.lapsed_at
    ? {
        because: signed.lapsed_because ?? 'decision',
        by: signed.lapser ?? '',
        revision: signed.lapsed_revision,
        finding: signed.lapsed_finding,
      }
    : release === 'lapsed'
      ? { because: 'exception', by: 'Inkwell Check', revision: signed.revision, finding: holder }
      : null;
  return { revision: signed.revision, by: signed.by, at: signed.signed_at.toISOString(), lapsed };
}

async function notesOf(at: Write, actor: Actor, page: PlacedPage, findings: readonly StoredFinding[], today: string): Promise<Note[]> {
  const rulings = new Map(
    (await rulingsOn(at, page.id)).map((ruling) => [
      ruling.finding_id,
      { answer: ruling.answer, by: ruling.by, at: ruling.made_at.toISOString() },
    ]),
  );
  const exceptions = new Map(
    (await exceptionsOn(at, page.id))
      .filter((one) => one.until >= today)
      .map(({ finding_id, reason, until, by }) => [finding_id, { reason, until, by }]),
  );
  const waiting = new Map((await questionsOn(at, page.id)).map((question) => [question.finding_id, question.waits_for]));
  const said = await remarksOf(at, page.id);
  const handed = new Map((await handedOn(at, page.id)).map(({ finding, to, ...rest }) => [finding, { ...rest, mine: to === actor.id }]));
  return findings.map((finding) => {
    const {
      id,
      rule,
      family,
      weight,
      outcome,
      criteria,
      techniques,
      message,
      values,
      at: place,
      places,
      fingerprint,
      subject,
      remedies,
      slip,
      ruled,
      firstRevision,
      placeNumbers,
    } = finding;
    return {
      id,
      rule,
      family,
      weight,
      outcome,
      criteria,
      techniques,
      message,
      values,
      at: place,
      ...(places ? { places } : {}),
      fingerprint,
      subject,
      remedies,
      ...(slip === undefined ? {} : { slip }),
      ruled,
      firstRevision,
      placeNumbers,
      ...wordsOf(finding),
      // What ran out is open, whether or not anybody has written it down.
      standing: isOpenOn(finding, today) && finding.standing === 'excepted' ? 'open' : finding.standing,
      ruling: rulings.get(finding.id) ?? null,
      exception: exceptions.get(finding.id) ?? null,
      waitsFor: waiting.get(finding.id) ?? null,
      handed: handed.get(finding.id) ?? null,
      remarks: said.get(finding.id) ?? 0,
    };
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
    sure: finding.outcome === 'failed' && finding.remedies.some((name) => isCertain(REMEDIES[name], finding.rule)),
  };
}
