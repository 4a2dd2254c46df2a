import type { Answer, Database, Standing } from '@inkwell/store';
import { findingsIn, lockPage } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { onHead } from './revise.ts';
import { openVerdict } from './standing.ts';

/** Answers the question of a finding. The answer sticks while the finding stays the same one. */
export async function rule(db: Database, actor: Actor, wish: { pageId: number; base: number; findingId: number; answer: Answer }): Promise<Result<Standing>> {
  const barred = unlessAllowed(actor, 'rule');
  if (barred) return barred;
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const finding = (await findingsIn(trx, page.id, page.head)).find((one) => one.id === wish.findingId);
    if (!finding) return notFound('This note');
    if (finding.outcome !== 'cantTell') return refused({ code: 'declined', what: 'There is no question to answer here', why: 'The engine is sure of this one.', kept: 'The note stands as it was.', next: 'Mend it with one of its corrections.' });
    const standing: Standing = wish.answer === 'no problem' ? 'ruled out' : 'open';
    await trx.updateTable('rulings').set({ taken_back_by: actor.id, taken_back_at: new Date() }).where('finding_id', '=', finding.id).where('taken_back_at', 'is', null).execute();
    await trx.insertInto('rulings').values({ finding_id: finding.id, answer: wish.answer, made_by: actor.id, taken_back_by: null }).execute();
    await trx.updateTable('findings').set({ standing, ruled: wish.answer }).where('id', '=', finding.id).execute();
    await trx.insertInto('standing_changes').values({ finding_id: finding.id, revision: page.head, standing, made_by: actor.id }).execute();
    return done(standing);
  });
}

/** Takes an answer back: the question is open again. */
export async function takeBackRuling(db: Database, actor: Actor, wish: { pageId: number; findingId: number }): Promise<Result<Standing>> {
  const barred = unlessAllowed(actor, 'rule');
  if (barred) return barred;
  return db.transaction().execute(async (trx) => {
    const page = await lockPage(trx, wish.pageId);
    const finding = page && (await findingsIn(trx, page.id, page.head)).find((one) => one.id === wish.findingId);
    if (!page || !finding) return notFound('This note');
    if (finding.ruled === null) return refused({ code: 'nothing-to-do', what: 'There is no answer to take back', kept: 'The note stands as it was.' });
    await trx.updateTable('rulings').set({ taken_back_by: actor.id, taken_back_at: new Date() }).where('finding_id', '=', finding.id).where('taken_back_at', 'is', null).execute();
    await trx.updateTable('findings').set({ standing: 'open', ruled: null }).where('id', '=', finding.id).execute();
    await trx.insertInto('standing_changes').values({ finding_id: finding.id, revision: page.head, standing: 'open', made_by: actor.id }).execute();
    // Without the answer the page may no longer be ready: a sign-off that rested on it lapses.
    await trx.updateTable('sign_offs').set({ lapsed_by_revision: page.head, lapsed_at: new Date() }).where('page_id', '=', page.id).where('lapsed_at', 'is', null).execute();
    return done<Standing>('open');
  });
}

/** Signs off exactly one revision, when nothing holds it. */
export async function signOff(db: Database, actor: Actor, wish: { pageId: number; base: number }): Promise<Result<{ revision: number }>> {
  const barred = unlessAllowed(actor, 'sign off');
  if (barred) return barred;
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const verdict = openVerdict(await findingsIn(trx, page.id, page.head));
    if (verdict !== 'ready') {
      return refused({
        code: 'held',
        what: 'This page cannot be signed off yet',
        why: verdict === 'held' ? 'A must-fix is still open on it.' : 'A question on it waits for an answer.',
        kept: 'Nothing was changed.',
        next: verdict === 'held' ? 'Mend what holds it, then sign off.' : 'Answer the question, then sign off.',
      });
    }
    const signed = await trx.selectFrom('sign_offs').select('id').where('page_id', '=', page.id).where('lapsed_at', 'is', null).executeTakeFirst();
    if (signed) return refused({ code: 'nothing-to-do', what: 'This revision is signed off already', kept: 'The sign-off stands.' });
    await trx.insertInto('sign_offs').values({ page_id: page.id, revision: page.head, signed_by: actor.id, lapsed_by_revision: null }).execute();
    return done({ revision: page.head });
  });
}
