import {
  addException,
  askAbout,
  barById,
  endExceptionsOn,
  exceptionsInForce,
  findingById,
  isOpenOn,
  writeRulings,
  type Answer,
  type NewStanding,
  type PlacedPage,
  type Standing,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { ruleOf, type Profile, type Verdict } from '@inkwell/core';
import type { Act, Actor } from './actor.ts';
import { askedOf } from './bars.ts';
import { onPage, type OnPage } from './conflicts.ts';
import { decide, standingOf } from './decide.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { dayIn, isDay, type Services } from './services.ts';

/** A finding somebody decides about. */
export interface OnFinding extends OnPage {
  findingId: number;
  /** The places it is about, by number; without it, all the finding has now and later. */
  places?: number[];
}

/** What a decision left: where the finding stands, the page's new version, and what the gate says of it. */
export interface Settled {
  standing: Standing;
  version: number;
  verdict: Verdict;
}

/** Runs `make` for one finding of the page's newest audit, as the house sees it. */
function onFinding(
  services: Services,
  actor: Actor,
  act: Act,
  wish: OnFinding,
  make: (trx: Write, page: PlacedPage, finding: StoredFinding) => Promise<Result<Settled>>,
): Promise<Result<Settled>> {
  return onPage(services, actor, act, wish, [wish.findingId], async (trx, page) => {
    const finding = await findingById(trx, page.id, wish.findingId, '');
    const [asked] = finding ? askedOf([finding], await barById(trx, page.bar_id)) : [];
    if (!asked) return notFound('This finding');
    if (wish.places?.some((place) => !asked.placeNumbers.includes(place))) return notFound('This place');
    return make(trx, page, asked);
  });
}

/** Whether a decision about some places settles a finding: about all it has now. */
function settlesAll({ places }: OnFinding, finding: StoredFinding): boolean {
  return !places || finding.placeNumbers.every((place) => places.includes(place));
}

/** What an answer makes of a finding. Whoever is not sure hands the question on; the finding stays open. */
const STANDINGS: Record<Answer, Standing> = { 'no problem': 'ruled out', stands: 'open', 'not sure': 'open' };

/** Standings that an answer does not touch: they have an end of their own. */
const SETTLED_OTHERWISE: readonly Standing[] = ['excepted', 'elsewhere'];

/** Answers the question of a finding. The answer sticks while the finding stays the same one. */
export function rule(services: Services, actor: Actor, wish: OnFinding & { answer: Answer }): Promise<Result<Settled>> {
  return onFinding(services, actor, 'rule', wish, async (trx, page, finding) => {
    if (finding.outcome !== 'cantTell')
      return refused({
        code: 'declined',
        what: 'There is no question to answer here',
        why: 'The engine is sure of this one.',
        kept: 'The finding stands as it was.',
        next: 'Fix it, or let it stand with a reason.',
      });
    if (SETTLED_OTHERWISE.includes(finding.standing))
      return refused({
        code: 'nothing-to-do',
        what: `This finding stands as ${finding.standing}`,
        kept: 'The finding stands as it was.',
        next: 'End that first, then answer the question.',
      });
    const standing = wish.answer === 'no problem' && !settlesAll(wish, finding) ? 'open' : STANDINGS[wish.answer];
    await writeRulings(trx, [finding.id], wish.answer, actor.id, wish.places ?? null);
    if (wish.answer === 'not sure') await askAbout(trx, finding.id, 'specialist', actor.id);
    const change = standingOf(finding, { standing, ruled: standing === 'open' && wish.answer === 'no problem' ? null : wish.answer });
    return done({
      standing,
      ...(await decide(trx, page, services, [change], { by: actor.id, because: `ruled: ${wish.answer}`, lapse: 'decision' })),
    });
  });
}

/** Takes an answer back: the question is open again. */
export function takeBackRuling(services: Services, actor: Actor, wish: OnFinding): Promise<Result<Settled>> {
  return onFinding(services, actor, 'rule', wish, async (trx, page, finding) => {
    if (finding.ruled === null)
      return refused({ code: 'nothing-to-do', what: 'There is no answer to take back', kept: 'The finding stands as it was.' });
    await writeRulings(trx, [finding.id], null, actor.id, null);
    const change = standingOf(finding, { standing: finding.standing === 'ruled out' ? 'open' : finding.standing, ruled: null });
    return done({
      standing: change.standing,
      ...(await decide(trx, page, services, [change], { by: actor.id, because: 'ruling taken back', lapse: 'decision' })),
    });
  });
}

export interface LetStand extends OnFinding {
  reason: string;
  /** The last day it holds, as YYYY-MM-DD. */
  until: string;
}

const LONGEST_YEARS = 2;

/** Accepts a finding as an exception for a time, for a reason that others can read. */
export function letStand(services: Services, actor: Actor, wish: LetStand): Promise<Result<Settled>> {
  return onFinding(services, actor, 'let stand', wish, async (trx, page, finding) => {
    const today = dayIn(page.time_zone, services.now());
    const bar = await barById(trx, page.bar_id);
    const wrong = whatIsWrong(wish, today) ?? whyHouseSaysNo(actor, page, finding, bar.profile, wish, today);
    if (wrong)
      return refused({
        code: 'declined',
        what: 'The exception was not recorded',
        why: wrong,
        kept: 'The finding stands as it was, and what you typed is still in the form.',
      });
    if (!isOpenOn(finding, today))
      return refused({
        code: 'nothing-to-do',
        what: `${ruleOf(finding.rule)?.title ?? 'This finding'} is not open`,
        kept: 'The finding stands as it was.',
      });
    // One that ran out, and that nobody has noticed yet, gives way; of those for other places each stays.
    await endExceptionsOn(trx, [finding.id], actor.id, { ranOutBefore: today });
    await endExceptionsOn(trx, [finding.id], actor.id, { places: wish.places });
    await addException(trx, {
      finding_id: finding.id,
      reason: wish.reason.trim(),
      until: wish.until,
      places: wish.places ?? null,
      made_by: actor.id,
    });
    const change = await underExceptions(trx, finding, today);
    return done({
      standing: change.standing,
      ...(await decide(trx, page, services, [change], {
        by: actor.id,
        because: `let stand until ${wish.until}: ${wish.reason.trim()}`,
        lapse: 'decision',
      })),
    });
  });
}

/** A finding as its exceptions in force leave it: let stand until the first of them ends, once they reach all its places. */
async function underExceptions(trx: Write, finding: StoredFinding, today: string): Promise<NewStanding> {
  const inForce = await exceptionsInForce(trx, finding.id, today);
  const reached = new Set(inForce.flatMap(({ places }) => places ?? finding.placeNumbers));
  const isWhole = finding.placeNumbers.every((place) => reached.has(place));
  const until = inForce.map((one) => one.until).sort()[0];
  return standingOf(
    finding,
    isWhole && until ? { standing: 'excepted', excepted_until: until } : { standing: 'open', excepted_until: null },
  );
}

function whatIsWrong({ reason, until }: LetStand, today: string): string | null {
  if (reason.trim().length < 5) return 'An exception needs a reason that others can follow.';
  if (!isDay(until)) return 'An exception needs the day on which it ends.';
  if (until < today) return 'The day on which it ends has passed.';
  const latest = new Date(`${today}T00:00:00Z`);
  latest.setUTCFullYear(latest.getUTCFullYear() + LONGEST_YEARS);
  return until > latest.toISOString().slice(0, 10)
    ? `An exception holds for at most ${LONGEST_YEARS} years; choose an earlier day and look at it again then.`
    : null;
}

/** Why the house lets nobody, or not this person, let such a finding stand for so long; null where it does. */
function whyHouseSaysNo(
  actor: Actor,
  page: PlacedPage,
  { weight }: Pick<StoredFinding, 'weight'>,
  { exceptions }: Profile,
  { until }: LetStand,
  today: string,
): string | null {
  const { by, days } = exceptions?.[weight] ?? {};
  const roles = actor.memberships.flatMap(({ collection, role }) =>
    collection === null || collection === page.collection_id ? [role] : [],
  );
  if (by && !roles.some((role) => by.includes(role)))
    return by.length === 0
      ? `The house lets nothing stand that weighs “${weight}”.`
      : `What weighs “${weight}” may be let stand only by: ${by.join(', ')}.`;
  const latest = days === undefined ? null : new Date(Date.parse(`${today}T00:00:00Z`) + days * DAY).toISOString().slice(0, 10);
  return latest !== null && until > latest ? `What weighs “${weight}” may stand for ${days} days at most, until ${latest}.` : null;
}

const DAY = 86_400_000;

/** Ends an exception, for all of a finding or for some places: what it reached is open again. */
export function endException(services: Services, actor: Actor, wish: OnFinding): Promise<Result<Settled>> {
  return onFinding(services, actor, 'let stand', wish, async (trx, page, finding) => {
    const today = dayIn(page.time_zone, services.now());
    if (finding.standing !== 'excepted' && (await exceptionsInForce(trx, finding.id, today)).length === 0)
      return refused({ code: 'nothing-to-do', what: 'There is no exception to end', kept: 'The finding stands as it was.' });
    await endExceptionsOn(trx, [finding.id], actor.id, { places: wish.places });
    const change = finding.standing === 'excepted' ? await underExceptions(trx, finding, today) : standingOf(finding, {});
    return done({
      standing: change.standing,
      ...(await decide(trx, page, services, [change], { by: actor.id, because: 'exception ended', lapse: 'decision' })),
    });
  });
}

/** Says that only the theme or the host can fix a finding, or that the page can after all. */
export function setElsewhere(services: Services, actor: Actor, wish: OnFinding & { elsewhere: boolean }): Promise<Result<Settled>> {
  return onFinding(services, actor, 'rule', wish, async (trx, page, finding) => {
    const standing: Standing = wish.elsewhere ? 'elsewhere' : 'open';
    const today = dayIn(page.time_zone, services.now());
    if (wish.elsewhere ? !isOpenOn(finding, today) : finding.standing !== 'elsewhere') {
      return refused({
        code: 'nothing-to-do',
        what: wish.elsewhere ? 'This finding is not open' : 'This finding is the page’s own already',
        kept: 'The finding stands as it was.',
      });
    }
    // An exception that ran out, and that nobody has written down yet, gives way.
    await endExceptionsOn(trx, [finding.id], actor.id);
    const because = wish.elsewhere ? 'only the theme or the host can fix it' : 'the page can fix it';
    return done({
      standing,
      ...(await decide(trx, page, services, [standingOf(finding, { standing, excepted_until: null })], {
        by: actor.id,
        because,
        lapse: 'decision',
      })),
    });
  });
}
