import { changeBetween, type Moves, type Reference, type Verdict } from '@inkwell/core';
import {
  addAudit,
  addRevision,
  applyAnswers,
  confirmSignOff,
  findingsIn,
  headText,
  pagesNaming,
  referencesOf,
  refreshStatus,
  SYSTEM,
  touchPage,
  writeReferences,
  writeRulings,
  writeSightings,
  writeStandings,
  type Bar,
  type Cause,
  type PlacedPage,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import type { Actor } from './actor.ts';
import { askedOf } from './bars.ts';
import type { Examination, Seen } from './examine.ts';
import { auditJob } from './jobs.ts';
import { dayIn, type Services } from './services.ts';
import { track, type Tracked } from './track.ts';
import { recordUses } from './uses.ts';

export interface NewText {
  html: string;
  examined: Examination;
  /** Where places of the head's text went, when it is known exactly. */
  moves?: Moves | null;
  cause: Cause;
  note: string;
  encoding?: string | null;
  bom?: boolean;
  bytesHash?: string | null;
  /** For undo and redo: the revision whose text this is. */
  content?: number;
  redo?: number[];
  /** A rule whose new questions are answered by this change. */
  vouched?: string | null;
}

export interface Revised {
  revision: number;
  /** The page's version from now on. */
  version: number;
  /** How many findings the house asks for in it, how many it no longer has, and how many are new. */
  found: number;
  fixed: number;
  fresh: number;
  /** What the gate says of it. */
  verdict: Verdict;
  /** The revision somebody else made meanwhile, which it is on top of. */
  onTopOf?: number;
}

/** What was read of a page before it was locked: of use where the page is still as it was then. */
type SeenBefore = Pick<Seen, 'page' | 'bar' | 'references' | 'findings'> & { text: Pick<Seen['text'], 'html'> };

/**
 * Writes a revision of the locked page with its audit, occurrences, standings, references and status, in as many statements whatever
 * their number. What was examined must be `next.html`; that the page's text is as it was then, the caller has seen under the lock.
 * `seen`: what was read before; of a page not there yet the bar alone, with what is already known to be referred to when it came in with
 * others.
 */
export async function record(
  trx: Write,
  services: Services,
  actor: Actor,
  page: PlacedPage,
  seen: SeenBefore | NewPage,
  next: NewText,
): Promise<Revised> {
  const number = page.head + 1;
  const { examined } = next;
  const before = await formerOf(trx, page, seen);
  await addRevision(trx, {
    page_id: page.id,
    number,
    html: next.html,
    title: examined.title,
    cause: next.cause,
    note: next.note,
    made_by: actor.id,
    encoding: next.encoding ?? null,
    bom: next.bom ?? false,
    bytes_sha256: next.bytesHash ?? null,
    content: next.content ?? null,
  });
  const moves: Moves = before === null ? { edits: [] } : (next.moves ?? changeBetween(before.html, next.html));
  const tracked = await recordAudit(
    trx,
    services,
    page,
    seen.bar,
    {
      revision: number,
      examined,
      by: actor.id,
      moves,
      undone: next.content !== undefined,
      before,
      known: before?.references ?? ('references' in seen ? seen.references : undefined),
      after: next.html,
      vouched: next.vouched ?? null,
    },
    {
      head: number,
      title: examined.title,
      redo: next.redo ?? [],
    },
  );
  const [status] = await refreshStatus(trx, [page.id], dayIn(page.time_zone, services.now()), { by: actor.id, because: 'text' });
  return {
    revision: number,
    version: tracked.version,
    found: askedOf(examined.findings, seen.bar).length,
    fixed: tracked.fixed,
    fresh: tracked.brought - tracked.vouched,
    verdict: status!.verdict,
  };
}

/** `references`: of a page that came in with others what its text refers to, as it is kept already: the others were told then. */
interface NewPage {
  bar: Bar;
  references?: readonly Reference[];
}

/** What a page was before a change. */
interface Former {
  html: string;
  references: readonly Reference[];
  findings: readonly StoredFinding[];
}

/** What was seen before the lock, where nothing was decided since; else read again. Null on a page's first revision. */
async function formerOf(trx: Write, page: PlacedPage, seen: SeenBefore | NewPage): Promise<Former | null> {
  if (page.head === 0) return null;
  if ('page' in seen && seen.page.version === page.version)
    return { html: seen.text.html, references: seen.references, findings: seen.findings };
  const html = await headText(trx, page);
  return { html, references: await referencesOf(trx, page.id), findings: await findingsIn(trx, page.id, html) };
}

interface AuditOf {
  revision: number;
  examined: Examination;
  by: string;
  moves: Moves;
  undone: boolean;
  before: Former | null;
  /** What is kept of what the page refers to; undefined for a page nobody knows of. */
  known?: readonly Reference[] | undefined;
  after: string;
  vouched: string | null;
}

type Recorded = Tracked & { version: number; auditId: number; vouched: number };

async function recordAudit(
  trx: Write,
  services: Services,
  page: PlacedPage,
  bar: Bar,
  of: AuditOf,
  change: { head?: number; title?: string; redo?: number[] },
): Promise<Recorded> {
  const { examined, revision, moves } = of;
  const auditId = await addAudit(trx, {
    page_id: page.id,
    revision,
    engine: examined.engine,
    inputs: examined.inputs,
    troubles: examined.troubles,
    moves,
  });
  const before = of.before && {
    findings: of.before.findings,
    texts: { before: of.before.html, after: of.after },
    moves,
    undone: of.undone,
    today: dayIn(page.time_zone, services.now()),
  };
  const tracked = await track(trx, services, page, bar, examined.findings, before);
  const fresh = await writeSightings(trx, { pageId: page.id, revision, audit: auditId, ...tracked });
  const version = await touchPage(trx, page.id, { ...change, audit_id: auditId, make_up: examined.makeUp });
  // Questions that the change answers are new with it: nothing was asked about them before.
  const answered = of.vouched === null ? [] : fresh.filter((_, i) => tracked.freshRules[i] === of.vouched);
  await writeStandings(
    trx,
    { pageId: page.id, revision, version, by: of.by, because: 'audit' },
    tracked.standings,
    fresh.filter((id) => !answered.includes(id)),
  );
  if (answered.length > 0) {
    await writeRulings(trx, answered, 'no problem', of.by, null);
    const standings = answered.map((id) => ({ id, standing: 'ruled out' as const, ruled: 'no problem' as const, excepted_until: null }));
    await writeStandings(trx, { pageId: page.id, revision, version, by: of.by, because: 'described just now' }, standings);
  }
  await answersHold(
    trx,
    tracked,
    fresh.filter((id) => !answered.includes(id)),
  );
  await recordReferences(trx, page, of.known ?? of.before?.references, examined);
  const news = fresh.values();
  await recordUses(
    trx,
    services,
    page,
    examined.uses,
    tracked.ids.map((id) => id ?? news.next().value!),
  );
  return { ...tracked, version, auditId, vouched: answered.length };
}

/** What was answered wherever the same is asked holds for what this audit brought, or sees as that question from now on. */
async function answersHold(trx: Write, { asksAnew, changed }: Tracked, fresh: readonly number[]): Promise<void> {
  const anew = asksAnew.map(({ id }) => id);
  if (anew.length > 0) await writeRulings(trx, anew, null, SYSTEM, null);
  const ids = [...fresh, ...changed.filter(({ same }) => same !== null).map(({ id }) => id)];
  if (ids.length > 0) await applyAnswers(trx, ids);
}

/** Keeps what the text refers to, and has those pages audited again that see the change. A page that has gone leads nowhere. */
async function recordReferences(
  trx: Write,
  page: PlacedPage,
  before: readonly Reference[] | undefined,
  { references, title }: Examination,
): Promise<void> {
  if (page.gone_at !== null) return;
  const gone = missingFrom(before ?? [], references);
  const come = missingFrom(references, before ?? []);
  const changed = [...gone, ...come];
  await writeReferences(trx, page, gone, come);
  const anchors = changed.some((one) => one.kind === 'anchor');
  const images = [...new Set(changed.filter((one) => one.kind === 'image').map((one) => one.target))];
  const retitled = before === undefined || title !== page.title;
  if (!anchors && images.length === 0 && !retitled) return;
  const pages = await pagesNaming(trx, page.collection_id, page.id, {
    links: anchors || retitled ? [page.address] : [],
    images,
    titles: retitled ? [page.title, title] : [],
  });
  await enqueue(trx, SYSTEM, pages.map(auditJob));
}

/** References of one list that another does not have. */
function missingFrom(some: readonly Reference[], others: readonly Reference[]): Reference[] {
  const name = (one: Reference) => `${one.kind}\n${one.target}\n${one.fragment}\n${one.alternative}`;
  const there = new Set(others.map(name));
  return some.filter((one) => !there.has(name(one)));
}

/**
 * Writes another audit of the locked page's head. A sign-off, and signatures, are confirmed under it, or end when the gate now says no,
 * with the finding that did it.
 */
export async function recordAgain(
  trx: Write,
  services: Services,
  page: PlacedPage,
  seen: SeenBefore,
  examined: Examination,
): Promise<Verdict> {
  const before = await formerOf(trx, page, seen);
  const { auditId } = await recordAudit(
    trx,
    services,
    page,
    seen.bar,
    { revision: page.head, examined, by: SYSTEM, moves: { edits: [] }, undone: false, before, after: seen.text.html, vouched: null },
    {},
  );
  const today = dayIn(page.time_zone, services.now());
  const [status] = await refreshStatus(trx, [page.id], today, { by: SYSTEM, because: 'audit' });
  if (status!.verdict === 'ready') await confirmSignOff(trx, page.id, auditId);
  return status!.verdict;
}
