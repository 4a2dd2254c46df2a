import { findingsIn, lapseSignOff, lockPage, type Answer, type Database, type Standing, type StoredPage, type Write } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { onHead } from './revise.ts';
import { openVerdict } from './standing.ts';

/** What an answer makes of a finding: whoever is not sure hands it to somebody who knows, and it stays to be judged. */
const STANDINGS: Record<Answer, Standing> = { 'no problem': 'ruled out', stands: 'open', 'not sure': 'in hand' };

/** Answers the question of a finding. The answer sticks while the finding stays the same one. */
export async function rule(db: Database, actor: Actor, wish: { pageId: number; base: number; findingId: number; answer: Answer }): Promise<Result<Standing>> {
  const barred = unlessAllowed(actor, 'rule');
  if (barred) return barred;
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const finding = (await findingsIn(trx, page.id, page.head)).find((one) => one.id === wish.findingId);
    if (!finding) return notFound('This note');
    if (finding.outcome !== 'cantTell') return refused({ code: 'declined', what: 'There is no question to answer here', why: 'The engine is sure of this one.', kept: 'The note stands as it was.', next: 'Mend it with one of its corrections.' });
    const standing = STANDINGS[wish.answer];
    await answerWith(trx, actor, page, finding.id, standing, wish.answer);
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
    await answerWith(trx, actor, page, finding.id, 'open', null);
    return done<Standing>('open');
  });
}

/** Puts an answer, or none, in place of the one in force. A sign-off rests on the answers it was given under: when one changes it lapses. */
export async function answerWith(trx: Write, actor: Actor, page: StoredPage, findingId: number, standing: Standing, answer: Answer | null): Promise<void> {
  await trx.updateTable('rulings').set({ taken_back_by: actor.id, taken_back_at: new Date() }).where('finding_id', '=', findingId).where('taken_back_at', 'is', null).execute();
  if (answer) await trx.insertInto('rulings').values({ finding_id: findingId, answer, made_by: actor.id, taken_back_by: null }).execute();
  await trx.updateTable('findings').set({ standing, ruled: answer }).where('id', '=', findingId).execute();
  await trx.insertInto('standing_changes').values({ finding_id: findingId, revision: page.head, standing, made_by: actor.id }).execute();
  await lapseSignOff(trx, page.id, page.head);
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
