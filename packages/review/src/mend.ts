import { addressOf, applyRemedy, auditPage, elementAt, parsePage, REMEDIES, resolveAddress, ruleOf, type Inputs, type Page } from '@inkwell/core';
import { acceptText } from '@inkwell/formats';
import { findingsIn, placeFileAlsoAt, revisionOf, type Database, type StoredPage, type Write } from '@inkwell/store';
import { may, unlessAllowed, type Actor } from './actor.ts';
import { answerWith } from './judge.ts';
import { done, refused, type Result } from './problems.ts';
import { onHead, revise, type Revised } from './revise.ts';
import { surroundingsOf } from './surroundings.ts';

export interface Mend {
  pageId: number;
  /** The revision the person was looking at. */
  base: number;
  findingId: number;
  remedy: string;
  inputs: Inputs;
}

/** Applies one remedy to one finding: a minimal edit, a new revision, a new audit. */
export async function mend(db: Database, actor: Actor, wish: Mend): Promise<Result<Revised>> {
  const barred = unlessAllowed(actor, 'change a page');
  if (barred) return barred;
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const head = (await revisionOf(trx, page.id, page.head))!;
    const stored = (await findingsIn(trx, page.id, page.head)).find((finding) => finding.id === wish.findingId);
    const parsed = parsePage(head.html, { scope: page.scope, surroundings: await surroundingsOf(trx, page) });
    // The engine may have changed since the audit was stored: act only on what it sees now.
    const finding = stored && auditPage(parsed).findings.find((one) => one.rule === stored.rule && one.at.path === stored.at.path && one.at.start === stored.at.start);
    if (!stored || !finding) return refused({ code: 'not-found', what: 'This note is no longer on the page', kept: 'The page is as it was.', next: 'Look at the list of notes again.' });
    const result = applyRemedy(parsed, finding, wish.remedy, wish.inputs);
    if (!result.ok) return refused({ code: 'declined', what: 'The correction was not made', why: result.reason, kept: 'The page is as it was, and what you typed is still in the form.' });
    const note = `${ruleOf(finding.rule)?.title ?? finding.rule} (${REMEDIES[wish.remedy as keyof typeof REMEDIES].label.toLowerCase()})`;
    const revised = await revise(trx, page, actor, { html: result.value.after, cause: 'fixed', note, change: result.value.change });
    if (wish.remedy === 'rename') await followRename(trx, page, parsed, result.value.after, finding.at.path);
    const vouched = WRITES_DESCRIPTION.has(wish.remedy) && may(actor, 'rule') ? await vouchForDescription(trx, actor, { ...page, head: revised.revision }) : 0;
    return done({ ...revised, fresh: revised.fresh - vouched });
  });
}

/** The file a picture was renamed to lies where the page now looks for it; under its old name it stays for whoever still uses that. */
async function followRename(trx: Write, page: StoredPage, before: Page, after: string, path: string): Promise<void> {
  const [old, fresh] = [before, parsePage(after, { scope: page.scope })].map((one) => {
    const image = elementAt(one, path);
    return image && resolveAddress(page.address, addressOf(image));
  });
  if (old && fresh) await placeFileAlsoAt(trx, page.collection_id, old, fresh);
}

/** Remedies with which a person says what a picture shows. */
const WRITES_DESCRIPTION = new Set(['describe', 'shorten', 'move-to-text', 'title-to-alt', 'from-file-name', 'unify']);

/** Whoever may rule and has just written a description has looked at the picture: the question whether it fits is answered by that. */
async function vouchForDescription(trx: Write, actor: Actor, page: StoredPage): Promise<number> {
  const asked = (await findingsIn(trx, page.id, page.head)).filter((finding) => finding.rule === 'images/true-to-picture' && finding.firstRevision === page.head && finding.ruled === null);
  for (const finding of asked) await answerWith(trx, actor, page, finding.id, 'ruled out', 'no problem');
  return asked.length;
}

/** Saves a page's source as a new revision. The same text again is not one. */
export async function saveSource(db: Database, actor: Actor, wish: { pageId: number; base: number; html: string }): Promise<Result<Revised>> {
  const barred = unlessAllowed(actor, 'change a page');
  if (barred) return barred;
  const read = acceptText(wish.html);
  if (!read.ok) {
    return refused({
      code: 'bad-page',
      what: read.reason === 'empty' ? 'A page cannot be saved empty' : 'This text cannot be saved as a page',
      why: read.reason === 'too-large' ? 'It is over the largest size a page may have.' : 'It holds nothing that can be read.',
      kept: 'The page is as it was, and your text is still in the editor.',
    });
  }
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const head = (await revisionOf(trx, page.id, page.head))!;
    if (head.html === read.text) return refused({ code: 'nothing-to-do', what: 'There is nothing to save', why: 'The text is the same as the page’s.', kept: 'The page is as it was.' });
    return done(await revise(trx, page, actor, { html: read.text, cause: 'edited', note: '' }));
  });
}
