import { settingsFor } from '@inkwell/core';
import {
  addAnswer,
  addMessages,
  answerById,
  answersTo,
  applyAnswers,
  barById,
  bringBackBefore,
  decidedOn,
  endAnswers,
  findingById,
  house,
  isOpenOn,
  lockPagesReached,
  lockPagesRuled,
  lockQuestion,
  pageById,
  people,
  personById,
  refreshStatus,
  unapplyAnswer,
  writing,
  type Answer,
  type Membership,
  type PlacedPage,
  type StoredAnswer,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { titleOf } from '../fix.ts';
import { SETTLE_ANSWER } from '../jobs.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { mayReachAnywhere } from './sameness.ts';

/** How far an answer reaches: this page, its collection, or wherever the question is asked. */
export type AnswerReach = 'page' | 'collection' | 'everywhere';

export interface GiveAnswer {
  finding: number;
  page: number;
  /** The question's sum as it was shown: another one by now is another question. */
  same: string;
  answer: Answer;
  reach: AnswerReach;
  reason: string;
}

/** An answer given: to how many findings on how many pages it was applied by now, and what becomes of it. */
export interface AnswerGiven {
  answer: number;
  findings: number;
  pages: number;
  /** More pages follow in the background. */
  more: boolean;
  outcome: 'holds' | 'waits for a second answer' | 'two answers apart';
}

/** Longest reason, in characters. */
const LONGEST_REASON = 2_000;
/** Pages an answer is applied to in one transaction. */
const AT_ONCE = 200;

/** Answers a question once for all findings that ask it, as far as the answer is to reach. */
export function giveAnswer(services: Services, actor: Actor, wish: GiveAnswer): Promise<Result<AnswerGiven>> {
  return writing(services.db, async (trx) => {
    const page = await pageById(trx, wish.page);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'rule', { collection: page.collection_id });
    if (barred) return barred;
    await lockQuestion(trx, wish.same);
    const finding = await findingById(trx, page.id, wish.finding, '');
    const before = await answersTo(trx, wish.same);
    const decided = before.find(({ state, answer }) => state === 'in force' && answer !== 'not sure');
    if (decided && finding && finding.ruled !== null && finding.ruled !== 'not sure') return overtaken(trx, decided);
    const trouble = troubleWith(services, actor, page, finding, wish);
    if (trouble) return refused({ ...trouble, kept: 'What you answered was not recorded.' });
    const bar = await barById(trx, page.bar_id);
    const two = settingsFor(bar.profile, bar.contentType).twoAnswers ?? [];
    const needsTwo = wish.answer !== 'not sure' && finding!.ruled !== 'not sure' && two.includes(finding!.rule);
    return needsTwo
      ? answerWithTwo(trx, services, actor, page, finding!, before, wish)
      : done(await hold(trx, services, actor, page, finding!, before, wish));
  });
}

function troubleWith(services: Services, actor: Actor, page: PlacedPage, finding: StoredFinding | undefined, wish: GiveAnswer) {
  if (finding?.outcome !== 'cantTell' || finding.sameSum !== wish.same)
    return {
      code: 'nothing-to-do' as const,
      what: 'This is not asked any more',
      why: 'The page has changed since.',
      next: 'Go on to the next.',
    };
  if (!isOpenOn(finding, dayIn(page.time_zone, services.now())) || finding.ruled === 'stands')
    return { code: 'conflict' as const, what: 'This was settled meanwhile', why: `It stands as ${finding.ruled ?? finding.standing}.` };
  if (wish.reach === 'everywhere' && !may(actor, 'rule', 'house'))
    return {
      code: 'declined' as const,
      what: 'An answer of yours holds in the collections you work in',
      next: 'Let it hold in this collection.',
    };
  if ([...wish.reason].length > LONGEST_REASON)
    return { code: 'declined' as const, what: 'The reason is too long', why: `It is longer than ${LONGEST_REASON} characters.` };
  return null;
}

async function overtaken(trx: Write, { made_by: by, answer }: StoredAnswer): Promise<Result<never>> {
  const name = (await personById(trx, by))?.name ?? 'Somebody';
  return refused({
    code: 'conflict',
    what: 'This was answered meanwhile',
    why: `${name} answered “${answer}”.`,
    kept: 'Their answer stands, and yours was not recorded over it.',
    next: 'Take theirs back first, if you disagree.',
  });
}

const reachOf = ({ reach, same }: GiveAnswer, page: PlacedPage) => ({
  // What goes by the piece around it, or is known to be asked here alone, is asked in one collection.
  collection_id: reach === 'everywhere' && mayReachAnywhere(same) ? null : page.collection_id,
  page_id: reach === 'page' ? page.id : null,
});

/** Records an answer that holds from now on, and applies it to the first pages at once. */
async function hold(
  trx: Write,
  services: Services,
  actor: Actor,
  page: PlacedPage,
  { id: finding_id, rule }: Pick<StoredFinding, 'id' | 'rule'>,
  before: readonly StoredAnswer[],
  wish: GiveAnswer,
): Promise<AnswerGiven> {
  const reach = reachOf(wish, page);
  const { same, answer, reason } = wish;
  const id = await addAnswer(trx, {
    same,
    rule,
    answer,
    reason: reason.trim(),
    ...reach,
    state: 'in force',
    finding_id,
    made_by: actor.id,
  });
  const covered = before.filter(
    ({ state, collection_id, page_id }) =>
      state === 'in force' &&
      (reach.collection_id === null || reach.collection_id === collection_id) &&
      (reach.page_id === null || reach.page_id === page_id),
  );
  await endAnswers(
    trx,
    covered.map((one) => one.id),
    { state: 'gave way', by: actor.id, inFavourOf: id },
  );
  if (answer === 'not sure') await askSpecialists(trx, actor, page, rule, reason);
  const first = await applySome(trx, services, id, actor.id);
  const more = first.pages === AT_ONCE;
  if (more) await settleLater(trx, actor, id);
  return { answer: id, ...first, more, outcome: 'holds' };
}

const settleLater = (trx: Write, actor: Actor, answer: number) =>
  enqueue(trx, actor.id, [{ kind: SETTLE_ANSWER, payload: { answer }, name: `${SETTLE_ANSWER} ${answer}` }]);

/** Whoever is asked to know in this collection is told, once for each question. */
async function askSpecialists(trx: Write, actor: Actor, page: PlacedPage, rule: string, reason: string): Promise<void> {
  const isAsked = ({ collection, role }: Membership) => role === 'specialist' && (collection === null || collection === page.collection_id);
  const specialists = (await people(trx)).filter(
    ({ id, email, disabled, memberships }) => id !== actor.id && email !== null && !disabled && memberships.some(isAsked),
  );
  const body = [`${actor.name} is not sure about a question: ${titleOf(rule)}.`, reason.trim(), 'It waits for you under Questions.'];
  await addMessages(
    trx,
    specialists.map(({ id, email }) => ({
      person: id,
      address: email!,
      subject: 'A question for you',
      body: `${body.filter(Boolean).join('\n\n')}\n`,
    })),
  );
}

/** Where two have to answer alike: the first answer waits, the second settles it, or both go to a specialist. */
async function answerWithTwo(
  trx: Write,
  services: Services,
  actor: Actor,
  page: PlacedPage,
  finding: StoredFinding,
  before: readonly StoredAnswer[],
  wish: GiveAnswer,
): Promise<Result<AnswerGiven>> {
  const first = before.find(({ state }) => state === 'waits');
  if (first?.made_by === actor.id)
    return refused({
      code: 'nothing-to-do',
      what: 'Somebody else has to answer this one',
      why: 'Your answer to it is recorded, and the house asks for two.',
      kept: 'Your answer stands.',
    });
  const { same, answer } = wish;
  const own = {
    same,
    rule: finding.rule,
    answer,
    reason: wish.reason.trim(),
    ...reachOf(wish, page),
    finding_id: finding.id,
    made_by: actor.id,
  };
  if (!first) {
    const id = await addAnswer(trx, { ...own, state: 'waits' });
    return done({ answer: id, findings: 0, pages: 0, more: false, outcome: 'waits for a second answer' });
  }
  const state = first.answer === answer ? 'agreed' : 'apart';
  await endAnswers(trx, [first.id], { state, by: actor.id });
  if (state === 'agreed') return done(await hold(trx, services, actor, page, finding, before, wish));
  await addAnswer(trx, { ...own, state: 'apart' });
  const other = (await personById(trx, first.made_by))?.name ?? 'Somebody';
  const reason = `${other} answered “${first.answer}”, ${actor.name} “${answer}”.`;
  const given = await hold(trx, services, actor, page, finding, before, { ...wish, answer: 'not sure', reason });
  return done({ ...given, outcome: 'two answers apart' });
}

interface Settled {
  findings: number;
  pages: number;
}

/** Decides on locked pages: their versions, sign-offs and status follow. Gives how much was decided. */
async function onPages(
  trx: Write,
  services: Services,
  pages: readonly number[],
  by: string,
  make: () => Promise<readonly number[]>,
): Promise<Settled> {
  if (pages.length === 0) return { findings: 0, pages: 0 };
  await decidedOn(trx, pages, by);
  const findings = await make();
  await refreshStatus(trx, pages, dayIn((await house(trx)).timeZone, services.now()), { by, because: 'decision' });
  return { findings: findings.length, pages: pages.length };
}

async function applySome(trx: Write, services: Services, answer: number, by: string): Promise<Settled> {
  const pages = await lockPagesReached(trx, answer, AT_ONCE);
  return onPages(trx, services, pages, by, () => applyAnswers(trx, { answer, pages }));
}

async function unapplySome(trx: Write, services: Services, answer: number, by: string): Promise<Settled> {
  const pages = await lockPagesRuled(trx, answer, AT_ONCE);
  return onPages(trx, services, pages, by, () => unapplyAnswer(trx, answer, pages, by));
}

/** Takes an answer back: everything it reached is asked again, or stands as it was answered before. */
export function takeAnswerBack(services: Services, actor: Actor, wish: { answer: number }): Promise<Result<AnswerGiven>> {
  return writing(services.db, async (trx) => {
    const found = await answerById(trx, wish.answer);
    if (!found) return notFound('This answer');
    const on = found.collection_id === null ? ('house' as const) : { collection: found.collection_id };
    const barred = unlessAllowed(actor, 'rule', on, 'This answer');
    if (barred) return barred;
    await lockQuestion(trx, found.same);
    const answer = (await answersTo(trx, found.same)).find(({ id }) => id === found.id);
    if (!answer)
      return refused({
        code: 'nothing-to-do',
        what: 'This answer holds no longer',
        kept: 'Nothing was changed.',
        next: 'Look at the list again.',
      });
    await endAnswers(trx, [answer.id], { state: 'taken back', by: actor.id });
    await bringBackBefore(trx, answer.id);
    const first = await unapplySome(trx, services, answer.id, actor.id);
    const more = first.pages === AT_ONCE;
    if (more) await settleLater(trx, actor, answer.id);
    else await holdAgain(trx, services, found.same, actor.id);
    return done({ answer: answer.id, ...first, more, outcome: 'holds' });
  });
}

/** What was answered before holds again. */
async function holdAgain(trx: Write, services: Services, same: string, by: string): Promise<void> {
  for (const { id, state } of await answersTo(trx, same)) if (state === 'in force') await applySome(trx, services, id, by);
}

/** A job: has an answer hold, or hold no longer, on the rest of the pages it reaches, some at a time. */
export async function settleAnswer(services: Services, wish: { answer: number }): Promise<void> {
  for (let left = true; left;)
    left = await writing(services.db, async (trx) => {
      const answer = await answerById(trx, wish.answer);
      if (!answer) return false;
      await lockQuestion(trx, answer.same);
      const { made_by: by, ended_by: end, state } = (await answerById(trx, answer.id))!;
      if (state === 'in force') return (await applySome(trx, services, answer.id, by)).pages > 0;
      if (state !== 'taken back') return false;
      if ((await unapplySome(trx, services, answer.id, end ?? by)).pages > 0) return true;
      await holdAgain(trx, services, answer.same, end ?? by);
      return false;
    });
}
