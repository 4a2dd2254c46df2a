import { ruleOf } from '@inkwell/core';
import { dueWaivers, findingsIn, lapseSignOff, lockPage, OPEN_STANDINGS, type Database, type Standing } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { onHead } from './revise.ts';

export interface Waive {
  pageId: number;
  base: number;
  findingId: number;
  reason: string;
  /** The last day it holds, as YYYY-MM-DD. */
  until: string;
}

const LONGEST_YEARS = 2;

/** Accepts a finding as an exception for a time, for a reason that others can read. */
export async function waive(db: Database, actor: Actor, wish: Waive, today = new Date()): Promise<Result<Standing>> {
  const barred = unlessAllowed(actor, 'rule');
  if (barred) return barred;
  const wrong = whatIsWrong(wish, today);
  if (wrong) return refused({ code: 'declined', what: 'The exception was not recorded', why: wrong, kept: 'The note stands as it was, and what you typed is still in the form.' });
  return onHead(db, wish.pageId, wish.base, async (trx, page) => {
    const finding = (await findingsIn(trx, page.id, page.head)).find((one) => one.id === wish.findingId);
    if (!finding) return notFound('This note');
    if (!OPEN_STANDINGS.includes(finding.standing)) return refused({ code: 'nothing-to-do', what: `${ruleOf(finding.rule)?.title ?? 'This note'} is not open`, kept: 'The note stands as it was.' });
    await trx.insertInto('waivers').values({ finding_id: finding.id, reason: wish.reason.trim(), until: wish.until, made_by: actor.id, ended_by: null }).execute();
    await trx.updateTable('findings').set({ standing: 'waived' }).where('id', '=', finding.id).execute();
    await trx.insertInto('standing_changes').values({ finding_id: finding.id, revision: page.head, standing: 'waived', made_by: actor.id }).execute();
    await lapseSignOff(trx, page.id, page.head);
    return done<Standing>('waived');
  });
}

function whatIsWrong({ reason, until }: Waive, today: Date): string | null {
  if (reason.trim().length < 5) return 'An exception needs a reason that others can follow.';
  const day = new Date(`${until}T00:00:00Z`);
  if (!/^\d{4}-\d\d-\d\d$/.test(until) || Number.isNaN(day.getTime())) return 'An exception needs the day on which it ends.';
  if (until < today.toISOString().slice(0, 10)) return 'The day on which it ends has passed.';
  const latest = new Date(today);
  latest.setUTCFullYear(latest.getUTCFullYear() + LONGEST_YEARS);
  return day > latest ? `An exception holds for at most ${LONGEST_YEARS} years; choose an earlier day and look at it again then.` : null;
}

/** Ends an exception: the finding is open again. */
export async function endWaiver(db: Database, actor: Actor, wish: { pageId: number; findingId: number }): Promise<Result<Standing>> {
  const barred = unlessAllowed(actor, 'rule');
  if (barred) return barred;
  return db.transaction().execute(async (trx) => {
    const page = await lockPage(trx, wish.pageId);
    const finding = page && (await findingsIn(trx, page.id, page.head)).find((one) => one.id === wish.findingId);
    if (!page || !finding) return notFound('This note');
    if (finding.standing !== 'waived') return refused({ code: 'nothing-to-do', what: 'There is no exception to end', kept: 'The note stands as it was.' });
    await trx.updateTable('waivers').set({ ended_by: actor.id, ended_at: new Date() }).where('finding_id', '=', finding.id).where('ended_at', 'is', null).execute();
    await trx.updateTable('findings').set({ standing: 'open' }).where('id', '=', finding.id).execute();
    await trx.insertInto('standing_changes').values({ finding_id: finding.id, revision: page.head, standing: 'open', made_by: actor.id }).execute();
    return done<Standing>('open');
  });
}

/** Opens again what was waived until a day that has passed. A sign-off that rested on it lapses. */
export async function endDueWaivers(db: Database): Promise<void> {
  const due = await dueWaivers(db);
  if (due.length === 0) return;
  await db.transaction().execute(async (trx) => {
    for (const one of await dueWaivers(trx)) {
      await lockPage(trx, one.page_id);
      await trx.updateTable('waivers').set({ ended_at: new Date() }).where('id', '=', one.id).execute();
      if (one.standing !== 'waived') continue;
      await trx.updateTable('findings').set({ standing: 'open' }).where('id', '=', one.finding_id).execute();
      await trx.insertInto('standing_changes').values({ finding_id: one.finding_id, revision: one.head, standing: 'open', made_by: one.made_by }).execute();
      await lapseSignOff(trx, one.page_id, one.head);
    }
  });
}
