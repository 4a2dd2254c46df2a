import { auditPage, changeBetween, compareAudits, DEFAULT_PROFILE, ENGINE_VERSION, outline, parsePage, selectFindings, titleText, verdictOf, type Change, type Finding, type Page, type Verdict } from '@inkwell/core';
import { findingsIn, fixedFindings, lapseSignOff, waiversOn, lockPage, revisionOf, type Cause, type Database, type Standing, type StoredFinding, type StoredPage, type Tables, type Write } from '@inkwell/store';
import type { Actor } from './actor.ts';
import { surroundingsOf } from './surroundings.ts';
import { notFound, refused, type Problem, type Result } from './problems.ts';

export interface NewRevision {
  html: string;
  cause: Cause;
  note: string;
  /** The edit that leads from the head to this text, when it is known exactly. */
  change?: Change;
  encoding?: string | null;
  /** For undo and redo: the revision whose text this is. */
  content?: number;
  redo?: number[];
}

export interface Revised {
  revision: number;
  /** How many findings the audit of it has, how many it no longer has, and how many are new. */
  found: number;
  fixed: number;
  fresh: number;
  /** Before anyone has ruled on anything. */
  verdict: Verdict;
}

/** Runs `make` on the locked page when `base` is still its head; hands back both texts when it is not. */
export async function onHead<T>(db: Database, pageId: number, base: number, make: (trx: Write, page: StoredPage) => Promise<Result<T>>): Promise<Result<T>> {
  return db.transaction().execute(async (trx) => {
    const page = await lockPage(trx, pageId);
    if (!page) return notFound('This page');
    if (page.head !== base) return conflictOn(trx, page, base);
    return make(trx, page);
  });
}

async function conflictOn(trx: Write, page: StoredPage, base: number): Promise<{ ok: false; problem: Problem }> {
  const head = (await revisionOf(trx, page.id, page.head))!;
  const by = await trx.selectFrom('people').select('name').where('id', '=', head.made_by).executeTakeFirstOrThrow();
  return refused({
    code: 'conflict',
    what: 'The page has changed since you opened it',
    why: `You began at revision ${base}; ${by.name} has made revision ${page.head} since.`,
    kept: 'Your text is kept beside theirs, and nothing was overwritten.',
    next: 'Compare the two, then take theirs or save yours on top of it.',
    theirs: { revision: page.head, html: head.html, by: by.name, at: head.made_at.toISOString() },
  });
}

/** Writes a revision, its audit and every finding's new standing. Runs in the caller's transaction, with the page locked. */
export async function revise(trx: Write, page: StoredPage, actor: Actor, next: NewRevision): Promise<Revised> {
  const head = page.head > 0 ? await revisionOf(trx, page.id, page.head) : undefined;
  const number = page.head + 1;
  const parsed = parsePage(next.html, { scope: page.scope, surroundings: await surroundingsOf(trx, page) });
  const title = titleOf(parsed, page.title);
  await trx
    .insertInto('revisions')
    .values({
      page_id: page.id, number, parent: head?.number ?? null, content: next.content ?? number,
      content_before: next.content === undefined ? (head?.content ?? null) : await contentBefore(trx, page.id, next.content),
      html: next.html, title, encoding: next.encoding ?? head?.encoding ?? null, cause: next.cause, note: next.note, made_by: actor.id,
    })
    .execute();
  const { findings } = auditPage(parsed);
  const tracked = await track(trx, page, number, findings, actor, head && { html: head.html, change: next.change, undone: next.content !== undefined }, next.html);
  await trx.updateTable('pages').set({ head: number, title, redo: JSON.stringify(next.redo ?? []) }).where('id', '=', page.id).execute();
  await lapseSignOff(trx, page.id, number);
  const asked = selectFindings(findings, DEFAULT_PROFILE, page.content_type);
  return { revision: number, found: asked.length, verdict: verdictOf(asked, DEFAULT_PROFILE), ...tracked };
}

async function contentBefore(trx: Write, pageId: number, content: number): Promise<number | null> {
  return (await revisionOf(trx, pageId, content))?.content_before ?? null;
}

/** A document's title is its own; a fragment's is the platform's. */
export function titleOf(page: Page, known: string): string {
  if (page.scope === 'fragment') return known;
  return titleText(page) || known || outline(page)[0]?.name || 'Page without a title';
}

interface Before {
  html: string;
  change?: Change;
  /** Undo and redo give findings back as they were; anything else that brings one back makes it returned. */
  undone: boolean;
}

/** Compares the new audit with the last and writes what became of each finding. */
async function track(trx: Write, page: Pick<StoredPage, 'id' | 'content_type'>, revision: number, fresh: readonly Finding[], actor: Actor, before: Before | undefined, after: string): Promise<{ fixed: number; fresh: number }> {
  const pageId = page.id;
  await trx.insertInto('audits').values({ page_id: pageId, revision, engine: ENGINE_VERSION }).execute();
  const old = before ? await findingsIn(trx, pageId, revision - 1) : [];
  const compared = compareAudits(old, fresh, before ? (before.change ?? changeBetween(before.html, after)) : undefined);
  const known = new Map<Finding, StoredFinding>(compared.kept.map((pair) => [pair.new, pair.old]));
  // What comes back is the finding it was, found among those that were fixed before.
  const back = before ? compareAudits(await fixedFindings(trx, pageId), compared.new).kept : [];
  for (const pair of back) known.set(pair.new, pair.old);
  const writer = new StandingWriter(trx, page.id, revision, actor, page.content_type);
  await writer.settle(compared.fixed.filter((finding) => finding.standing !== 'fixed'), 'fixed');
  await writer.settle(back.map((pair) => pair.old), before?.undone ? 'open' : 'returned');
  await writer.see(fresh, known);
  const isAsked = (finding: Finding) => selectFindings([finding], DEFAULT_PROFILE, page.content_type).length > 0;
  return { fixed: compared.fixed.filter((finding) => finding.asked).length, fresh: compared.new.filter(isAsked).length };
}

/** Writes findings, occurrences and changes of standing for one revision. */
class StandingWriter {
  constructor(private readonly trx: Write, private readonly pageId: number, private readonly revision: number, private readonly actor: Actor, private readonly contentType: string) {}

  /** What the house makes of a finding, beside what the engine said. */
  private weighed(finding: Finding): Pick<Tables['findings'], 'weight' | 'outcome' | 'told_weight' | 'told_outcome' | 'asked'> {
    const asked = selectFindings([finding], DEFAULT_PROFILE, this.contentType)[0];
    const { weight, outcome } = asked ?? finding;
    return { weight, outcome, told_weight: finding.weight, told_outcome: finding.outcome, asked: asked !== undefined };
  }

  async settle(findings: readonly StoredFinding[], standing: Standing): Promise<void> {
    const waived = new Set(standing === 'fixed' ? [] : (await waiversOn(this.trx, this.pageId)).map((waiver) => waiver.finding_id));
    for (const finding of findings) {
      // A finding that was ruled out or waived and comes back unchanged stays so.
      const was: Standing = finding.ruled === 'no problem' ? 'ruled out' : waived.has(finding.id) ? 'waived' : standing;
      const now: Standing = standing === 'fixed' ? 'fixed' : was;
      await this.trx.updateTable('findings').set({ standing: now }).where('id', '=', finding.id).execute();
      await this.record(finding.id, now);
    }
  }

  private async record(findingId: number, standing: Standing): Promise<void> {
    await this.trx.insertInto('standing_changes').values({ finding_id: findingId, revision: this.revision, standing, made_by: this.actor.id }).execute();
  }

  /** An occurrence for every finding of the audit, and a row for each that is new. */
  async see(fresh: readonly Finding[], known: ReadonlyMap<Finding, StoredFinding>): Promise<void> {
    for (const [ordinal, finding] of fresh.entries()) {
      const before = known.get(finding);
      const id = before ? await this.update(before.id, finding) : await this.insert(finding);
      await this.trx.insertInto('occurrences').values(occurrenceOf(id, this.pageId, this.revision, ordinal, finding)).execute();
    }
  }

  private async update(id: number, finding: Finding): Promise<number> {
    await this.trx
      .updateTable('findings')
      .set({ fingerprint: finding.fingerprint, ...this.weighed(finding), last_revision: this.revision })
      .where('id', '=', id)
      .execute();
    return id;
  }

  private async insert(finding: Finding): Promise<number> {
    const { rule, family, fingerprint } = finding;
    const row = { page_id: this.pageId, rule, family, ...this.weighed(finding), fingerprint, standing: 'open' as const, ruled: null, first_revision: this.revision, last_revision: this.revision };
    const { id } = await this.trx.insertInto('findings').values(row).returning('id').executeTakeFirstOrThrow();
    await this.record(id, 'open');
    return id;
  }
}

function occurrenceOf(findingId: number, pageId: number, revision: number, ordinal: number, finding: Finding) {
  return {
    finding_id: findingId, page_id: pageId, revision, ordinal,
    path: finding.at.path, through: finding.at.through ?? null, start_at: finding.at.start, end_at: finding.at.end, line: finding.at.line, line_column: finding.at.column,
    message: finding.message, message_values: JSON.stringify(finding.values), subject: finding.subject.toWellFormed(),
    criteria: JSON.stringify(finding.criteria), techniques: JSON.stringify(finding.techniques), remedies: JSON.stringify(finding.remedies),
  };
}

