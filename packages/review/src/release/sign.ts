import {
  addSignature,
  addSignOff,
  barById,
  fixersOf,
  lockPage,
  looksOn,
  noteLook,
  refreshStatus,
  setSigningRules,
  signingRules,
  touchPage,
  writeDeed,
  writing,
  type PlacedPage,
  type SigningRules,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { reopen } from '../background.ts';
import { onPage, type OnPage } from '../conflicts.ts';
import { gate, isSigned } from '../gate.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { chosenAtGate, nothingChosen, type ChosenAtGate, type GateDone } from './publish.ts';

/** What no engine finds, in the order in which it is looked at: each is looked at on a revision, by somebody. */
export const LOOKS = ['widths', 'aloud', 'links', 'menu', 'address'] as const;
export type Look = (typeof LOOKS)[number];

export interface Signed {
  revision: number;
  version: number;
  /** How many more have to sign before it is signed off. */
  wanted: number;
}

/** Signs exactly one revision, when the gate lets it through: asked under the lock, by today's date. */
export function signOff(services: Services, actor: Actor, wish: OnPage): Promise<Result<Signed>> {
  return onPage(services, actor, 'sign off', wish, 'the whole page', (trx, page) => sign(trx, services, actor, page));
}

async function sign(trx: Write, services: Services, actor: Actor, page: PlacedPage): Promise<Result<Signed>> {
  await reopen(trx, services, page);
  const { verdict, release } = await gate(trx, page, services);
  if (verdict !== 'ready')
    return refused({
      code: 'held',
      what: 'This page cannot be signed off yet',
      why: verdict === 'held' ? 'A must-fix is still open on it.' : 'A question on it waits for an answer.',
      kept: 'Nothing was changed.',
      next: verdict === 'held' ? 'Fix what holds it, then sign off.' : 'Answer the question, then sign off.',
    });
  if (isSigned(release))
    return refused({ code: 'nothing-to-do', what: 'This revision is signed off already', kept: 'The sign-off stands.' });
  const rules = await signingRules(trx);
  const barred = await unlessMaySign(trx, actor, page, rules);
  if (barred) return barred;
  const bar = await barById(trx, page.bar_id);
  const signature = {
    page_id: page.id,
    revision: page.head,
    audit_id: page.audit_id!,
    profile_version_id: bar.versionId,
    signed_by: actor.id,
  };
  const wanted = rules.signatures - (await addSignature(trx, signature)).length;
  if (wanted <= 0) await addSignOff(trx, signature);
  const version = await touchPage(trx, page.id);
  await refreshStatus(trx, [page.id], dayIn(page.time_zone, services.now()), { by: actor.id, because: 'audit' });
  return done({ revision: page.head, version, wanted: Math.max(0, wanted) });
}

/** Why the house does not let somebody sign this page as it stands; null where it does. */
async function unlessMaySign(trx: Write, actor: Actor, page: PlacedPage, rules: SigningRules) {
  if (!rules.fixerMaySign && (await fixersOf(trx, page.id, page.head)).includes(actor.id))
    return refused({
      code: 'held',
      what: 'Somebody else has to sign this page',
      why: 'You worked on it since it was last signed off, and this house has pages signed by others.',
      kept: 'Nothing was changed.',
      next: 'Ask a reviewer or a publisher who did not work on it.',
    });
  const looked = rules.looksNeeded ? await looksOn(trx, page.id, page.head) : LOOKS;
  if (LOOKS.every((item) => looked.includes(item))) return null;
  return refused({
    code: 'held',
    what: 'Not everything on this page has been looked at',
    why: 'This house wants what no engine finds looked at on the revision that is signed.',
    kept: 'Nothing was changed.',
    next: 'Go through the list of this page on the Gate.',
  });
}

/** Pages signed in one go: each is looked at by itself, under its own lock. */
const SIGNED_AT_ONCE = 300;

/** Signs many pages as they stand, each by itself: what cannot be signed is left and named. */
export async function signMany(services: Services, actor: Actor, wish: ChosenAtGate): Promise<Result<GateDone>> {
  const pages = await chosenAtGate(services, actor, 'sign off', wish);
  if (pages.length === 0) return nothingChosen(actor, 'sign off');
  const told: GateDone = { done: 0, left: [] };
  for (const { id, title, head } of pages.slice(0, SIGNED_AT_ONCE)) {
    const signed = await writing(services.db, async (trx) => {
      const page = await lockPage(trx, id);
      // What was shown is what is signed: a page that has another revision by now is left.
      return page?.head === head ? sign(trx, services, actor, page) : MOVED;
    });
    if (signed.ok) told.done++;
    else told.left.push({ title, why: signed.problem.why ?? `${signed.problem.what}.` });
  }
  const rest = pages.length - SIGNED_AT_ONCE;
  if (rest > 0) told.left.push({ title: `${rest} more`, why: `${SIGNED_AT_ONCE} pages are signed at once. Sign the next ones now.` });
  return done(told);
}

const MOVED = refused({ code: 'conflict', what: 'The page has another revision by now', why: 'It has another revision by now.' });

/** Notes that somebody looked at something no engine finds on the page as it stands, or takes that back. */
export function lookedAt(
  services: Services,
  actor: Actor,
  wish: { page: number; revision: number; item: Look; done: boolean },
): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const page = await lockPage(trx, wish.page);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'sign off', { collection: page.collection_id });
    if (barred) return barred;
    if (page.head !== wish.revision) return MOVED;
    await noteLook(trx, { page_id: page.id, revision: page.head, item: wish.item, looked_by: actor.id }, wish.done);
    return done(null);
  });
}

/** Says what the house asks before a page is signed off. Sign-offs that are in force stay so. */
export function setSigning(services: Services, actor: Actor, wish: SigningRules): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const barred = unlessAllowed(actor, 'set the standard', 'house', 'This');
    if (barred) return barred;
    await setSigningRules(trx, wish);
    await writeDeed(trx, {
      by: actor.id,
      deed: 'set how pages are signed',
      about: {
        signatures: String(wish.signatures),
        fixer: wish.fixerMaySign ? 'may sign' : 'may not sign',
        looks: wish.looksNeeded ? 'needed' : 'not needed',
      },
    });
    return done(null);
  });
}
