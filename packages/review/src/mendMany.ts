import { alikeTo, arrange as arrangePage, auditPage, DEFAULT_PROFILE, mendAlike, mendCertain, parsePage, REMEDIES, ruleOf, type Arrangement, type Finding, type Inputs, type Page, type RemedyName } from '@inkwell/core';
import { findingsIn, revisionOf, type Cause, type Database, type StoredFinding, type StoredPage, type Write } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, refused, type Problem, type Result } from './problems.ts';
import { onHead, revise, type Revised } from './revise.ts';
import { surroundingsOf } from './surroundings.ts';

interface Wish {
  pageId: number;
  base: number;
}

interface Made {
  after: string;
  cause: Cause;
  note: string;
}

/** Several corrections as one revision, so that one undo takes them all back. */
async function asOneRevision(db: Database, actor: Actor, wish: Wish, make: (page: Page, trx: Write, stored: StoredPage) => Promise<Made | { refused: Omit<Problem, 'code' | 'kept'> }>): Promise<Result<Revised>> {
  const barred = unlessAllowed(actor, 'change a page');
  if (barred) return barred;
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const head = (await revisionOf(trx, page.id, page.head))!;
    const parsed = parsePage(head.html, { scope: page.scope, surroundings: await surroundingsOf(trx, page) });
    const made = await make(parsed, trx, page);
    if ('refused' in made) return refused({ code: 'declined', ...made.refused, kept: 'The page is as it was.' });
    return done(await revise(trx, page, actor, { html: made.after, cause: made.cause, note: made.note }));
  });
}

/** What the engine sees now of findings as they were stored; those it no longer sees are left out. */
function seenNow(page: Page, stored: readonly StoredFinding[]): Finding[] {
  const places = new Set(stored.map((one) => `${one.rule} ${one.at.path} ${one.at.start}`));
  return auditPage(page).findings.filter((one) => places.has(`${one.rule} ${one.at.path} ${one.at.start}`));
}

/** Mends one slip wherever it stands on the page: `findingId` names one of them, `inputs` what was chosen for all. */
export function mendAllAlike(db: Database, actor: Actor, wish: Wish & { findingId: number; remedy: RemedyName; inputs: Inputs }): Promise<Result<Revised>> {
  return asOneRevision(db, actor, wish, async (page, trx, { id, head }) => {
    const stored = (await findingsIn(trx, id, head)).filter((finding) => finding.asked && (finding.standing === 'open' || finding.standing === 'in hand' || finding.standing === 'returned'));
    const [finding] = seenNow(page, stored.filter((one) => one.id === wish.findingId));
    if (!finding) return { refused: { what: 'This note is no longer on the page', next: 'Look at the list of notes again.' } };
    const { after, mended, declined } = mendAlike(page, alikeTo(page, finding, wish.remedy, seenNow(page, stored)), wish.remedy, wish.inputs);
    if (mended.length === 0) return { refused: { what: 'None of them was mended', why: declined[0]?.reason ?? 'The correction does not act here.' } };
    return { after, cause: 'fixed', note: `${ruleOf(finding.rule)?.title ?? finding.rule}, ${mended.length} times (${REMEDIES[wish.remedy].label.toLowerCase()})` };
  });
}

/** Applies every correction that needs no person. What was ruled out or waived is left alone. */
export function mendAllCertain(db: Database, actor: Actor, wish: Wish): Promise<Result<Revised>> {
  return asOneRevision(db, actor, wish, async (page, trx, stored) => {
    const settled = (await findingsIn(trx, stored.id, stored.head)).filter((finding) => finding.standing === 'ruled out' || finding.standing === 'waived');
    const leave = new Set(seenNow(page, settled).map((finding) => finding.fingerprint));
    const { after, mended } = mendCertain(page, undefined, DEFAULT_PROFILE, leave);
    if (mended.length === 0) return { refused: { what: 'There is nothing here that is certain', why: 'Each open note needs a word or a choice from you.' } };
    return { after, cause: 'fixed', note: `${mended.length} that were certain` };
  });
}

/** Changes structure as a person arranged it: levels, a table's headers and caption, a layout table taken away. */
export function arrange(db: Database, actor: Actor, wish: Wish & { arrangement: Arrangement }): Promise<Result<Revised>> {
  return asOneRevision(db, actor, wish, (page) => {
    const result = arrangePage(page, wish.arrangement);
    return Promise.resolve(result.ok ? { after: result.value.after, cause: 'edited' as const, note: wordsFor(wish.arrangement) } : { refused: { what: 'The change was not made', why: result.reason } });
  });
}

function wordsFor(arrangement: Arrangement): string {
  switch (arrangement.kind) {
    case 'levels':
      return arrangement.levels.length === 1 ? 'one heading’s level' : `levels of ${arrangement.levels.length} headings`;
    case 'table':
      return 'headers and caption of a table';
    case 'flatten':
      return 'a layout table taken away';
  }
}

