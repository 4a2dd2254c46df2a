import { randomUUID } from 'node:crypto';
import { caseOf, REGISTERS, thingOf, type Mend, type MendPart, type RegisterName } from '@inkwell/core';
import {
  addRedirects,
  addStroke,
  changeFiles,
  isOpenOn,
  markStrokePage,
  pageForEngine,
  pagesUsing,
  registerNumber,
  setStrokeJob,
  snapshot,
  SYSTEM,
  thingsOn,
  whoHasOpen,
  writing,
  type Mends,
  type Stroke,
  type Write,
} from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { changeText, madeBy } from '../changeText.ts';
import type { OnPage } from '../conflicts.ts';
import { seenAt, type Seen } from '../examine.ts';
import { keyOf } from '../fix.ts';
import { enqueue } from '@inkwell/work';
import { lookAtImagesJob, STROKE } from '../jobs.ts';
import { done, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { inTheBackground } from '../strokes/acts.ts';
import { renamesIn, type Renamed } from './rename.ts';
import { reached, type Reach } from './reach.ts';
import { thingsOf, type Chosen } from './register.ts';
import { wordsForMend } from './words.ts';

/** What is done to things that were chosen: the same to all, or to each its own. */
export interface WishedMends extends Reach {
  register: RegisterName;
  chosen: Chosen;
  /** What is done to all of them. */
  mend?: Mend;
  /** What is done to the uses of each: those like some cases only, or all. */
  parts?: readonly MendPart[];
  /** Of images: files that get another name, by the things that they are; without a folder, and with their ending. */
  renames?: readonly { thing: string; name: string }[];
  /** Cases that are left as they are, as `caseOf` names them, each with its thing. */
  without?: readonly { thing: string; case: string }[];
  /** Pages that are left as they are. */
  leave?: readonly number[];
}

/** Things that one wish may reach, and pages. */
const MOST_THINGS = 20_000;
const MOST_PAGES = 20_000;

interface Planned {
  collection: number;
  parts: MendPart[];
  pages: number[];
  /** New names by the paths of files. */
  names: Map<string, string>;
}

/** Does what was wished to all uses of things, in the background: a transaction for each page, one word takes all of it back. */
export function mend(services: Services, actor: Actor, wish: WishedMends): Promise<Result<{ together: string; pages: number }>> {
  return writing(services.db, async (trx) => {
    const plans = await planned(trx, actor, wish);
    if (!plans.ok) return plans;
    // All of it is known to be possible before any of it is written.
    const all: (Planned & Renamed)[] = [];
    for (const plan of plans.value) {
      const renamed = await renamesIn(trx, plan.collection, plan.names);
      if (!renamed.ok) return renamed;
      all.push({ ...plan, ...renamed.value, pages: [...new Set([...plan.pages, ...renamed.value.showing])] });
    }
    const together = randomUUID();
    for (const { collection, parts, pages, renames, redirects, files } of all) {
      const stroke = await addMends(trx, actor, together, wish.register, { collection, pages }, { parts, renames });
      if (renames.length === 0) continue;
      await changeFiles(trx, stroke, collection, files);
      await addRedirects(trx, stroke, collection, redirects);
      await enqueue(trx, SYSTEM, [lookAtImagesJob(collection)]);
    }
    const pages = all.reduce((sum, one) => sum + one.pages.length, 0);
    return done({ together, pages });
  });
}

/** Keeps what is to be done in one collection, and has it done in the background. Gives its number. */
export async function addMends(
  trx: Write,
  actor: Actor,
  together: string,
  register: RegisterName,
  { collection, pages }: Pick<Planned, 'collection' | 'pages'>,
  mends: Mends,
): Promise<number> {
  const none = { slip: null, rule: null, remedy: null, inputs: {}, finding_id: null };
  const stroke = await addStroke(
    trx,
    { ...none, collection_id: collection, act: 'mend', made_by: actor.id, register: registerNumber(register), mends, together },
    pages,
  );
  if (pages.length > 0) await setStrokeJob(trx, stroke, await inTheBackground(trx, actor, STROKE, stroke, pages, wordsForMend(mends)));
  return stroke;
}

/** What a wish comes to in each collection it reaches. */
async function planned(trx: Write, actor: Actor, wish: WishedMends): Promise<Result<Planned[]>> {
  const found = await reached(trx, actor, 'change a page', wish);
  if (!found.ok) return found;
  const collections = found.value.map(({ id }) => id);
  const ids = await thingsOf(trx, found.value, wish.chosen, MOST_THINGS + 1);
  if (ids.length === 0) return NOTHING_LEFT;
  if (ids.length > MOST_THINGS) return tooMany(`more than ${MOST_THINGS} things`, `At most ${MOST_THINGS} are changed in one go.`);
  const plans = plansFor(wish, await pagesUsing(trx, collections, ids));
  const pages = plans.reduce((sum, one) => sum + one.pages.length, 0);
  if (pages === 0) return NOTHING_LEFT;
  if (pages > MOST_PAGES) return tooMany(`${pages} pages`, `At most ${MOST_PAGES} are changed in one go.`);
  return done(plans);
}

const tooMany = (what: string, why: string) =>
  refused({
    code: 'too-large',
    what: `This would change ${what} at once`,
    why,
    kept: 'Nothing was changed.',
    next: 'Choose fewer, or one collection after the other.',
  });

interface Plan {
  parts: Map<string, MendPart>;
  pages: Set<number>;
  renames: Map<string, string>;
}

/** What is done to the uses there are, by collection. */
function plansFor(wish: WishedMends, uses: Awaited<ReturnType<typeof pagesUsing>>): Planned[] {
  const without = new Set((wish.without ?? []).map((one) => `${one.thing}\n${one.case}`));
  const leave = new Set(wish.leave);
  const names = new Map((wish.renames ?? []).map((one) => [one.thing, one.name]));
  const own = new Map<string, MendPart[]>();
  for (const part of wish.parts ?? []) own.set(part.thing, [...(own.get(part.thing) ?? []), part]);
  const plans = new Map<number, Plan>();
  for (const use of uses) {
    const [thing, its] = [thingOf({ name: use.thing, place: use.place }), caseOf(use)];
    if (leave.has(use.page_id) || without.has(`${thing}\n${its}`)) continue;
    const asOwn = (own.get(thing) ?? []).filter(({ alike }) => alike === null || alike.includes(its));
    const mends = wish.mend ? [wish.mend] : asOwn.map((part) => part.mend);
    const name = names.get(thing);
    if (mends.length === 0 && name === undefined) continue;
    const plan: Plan = plans.get(use.collection_id) ?? { parts: new Map(), pages: new Set(), renames: new Map() };
    plans.set(use.collection_id, plan);
    plan.pages.add(use.page_id);
    if (name !== undefined) plan.renames.set(use.thing, name);
    for (const one of mends) addTo(plan.parts, thing, its, one);
  }
  return [...plans].map(([collection, { parts, pages, renames }]) => ({
    collection,
    parts: [...parts.values()],
    pages: [...pages],
    names: renames,
  }));
}

/** Only what stands there as it was shown is changed: what somebody else changed meanwhile is another case. */
function addTo(parts: Map<string, MendPart>, thing: string, its: string, mend: Mend): void {
  const key = `${thing}\n${JSON.stringify(mend)}`;
  const alike = parts.get(key)?.alike ?? [];
  if (!alike.includes(its)) parts.set(key, { thing, alike: [...alike, its], mend });
}

const NOTHING_LEFT = refused({
  code: 'nothing-to-do',
  what: 'None of this is there any more',
  why: 'It was changed or taken out meanwhile.',
  kept: 'Nothing was changed.',
  next: 'Look at the register again.',
});

/** Things of a page that a job is about: of many hundreds most are on other pages. */
function partsOn(stroke: Stroke, used: ReadonlySet<string>): MendPart[] {
  return stroke.mends!.parts.filter(({ thing }) => used.has(thing));
}

/** Does it on one page, and says so in the same transaction. A page that somebody else is writing on is passed by. */
export async function mendOn(services: Services, actor: Actor, stroke: Stroke, on: OnPage): Promise<Result<unknown>> {
  const holder = await whoHasOpen(services.db, { page: on.pageId, person: actor.id });
  if (holder !== null)
    return refused({
      code: 'declined',
      what: `${holder} has changes of it that are not saved`,
      kept: 'The page is as it was.',
      next: 'Do it once more when they are saved.',
    });
  const { parts, renames } = stroke.mends!;
  const note = wordsForMend(stroke.mends!);
  return changeText(services, actor, on, {
    about: 'the whole page',
    async make(seen) {
      const result = await services.engine.run('mend', {
        page: seen.text,
        register: REGISTERS[stroke.register!]!,
        parts: parts.length > MANY ? partsOn(stroke, new Set((await thingsOn(services.db, seen.page.id)).map(thingOf))) : parts,
        renames,
        settled: settledOn(services, seen),
      });
      return madeBy(
        result,
        parts.every((part) => isFix(part.mend)) ? 'fixed' : 'edited',
        () => `${note}, on many pages`,
        'It was not done here',
      );
    },
    vouched: parts.some((part) => part.mend.do === 'describe' && part.mend.alternative) ? 'images/true-to-picture' : null,
    then: (trx, page) => markStrokePage(trx, { stroke: stroke.id, page: page.id }, { state: 'done', revision: page.head + 1 }),
  });
}

const isFix = (one: Mend) => one.do === 'fix' || one.do === 'certain';

/** Parts from which on a page is asked first which of them concern it. */
const MANY = 40;

function settledOn(services: Services, { page, findings }: Seen) {
  const today = dayIn(page.time_zone, services.now());
  return findings.filter((finding) => !isOpenOn(finding, today)).map(keyOf);
}

export interface MendTried {
  /** What becomes of a case of a thing, on the page where it comes first. */
  thing: string;
  case: string;
  page: number;
  tried: { ok: true; before: string; after: string; declined: string[] } | { ok: false; reason: string };
}

/** Cases tried at one time: each reads its page with what the engine has to know around it. */
const MOST_TRIED = 12;

/** What a wish would make of some cases, each tried on a page of it. Nothing is written. */
export async function tryMends(
  services: Services,
  actor: Actor,
  wish: Reach & { register: RegisterName; cases: readonly { thing: string; case: string; page: number; mend: Mend }[] },
): Promise<Result<MendTried[]>> {
  const cases = wish.cases.slice(0, MOST_TRIED);
  const read = await snapshot(services.db, async (at): Promise<Result<Seen[]>> => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const reach = new Set(found.value.map(({ id }) => id));
    const seen: Seen[] = [];
    for (const id of new Set(cases.map(({ page }) => page))) {
      const page = await pageForEngine(at, { id });
      if (page && reach.has(page.page.collection_id)) seen.push(await seenAt(at, page));
    }
    return done(seen);
  });
  if (!read.ok) return read;
  const byPage = new Map(read.value.map((one) => [one.page.id, one]));
  const tried = cases.map(async ({ thing, case: its, page, mend: one }): Promise<MendTried> => {
    const seen = byPage.get(page);
    if (!seen) return { thing, case: its, page, tried: { ok: false, reason: 'This page is no longer here.' } };
    const parts = [{ thing, alike: [its], mend: one }];
    const result = await services.engine.run('try mending', {
      page: seen.text,
      register: wish.register,
      parts,
      settled: settledOn(services, seen),
    });
    if (!result.ok) return { thing, case: its, page, tried: { ok: false, reason: result.reason } };
    const { before, after, declined } = result;
    return { thing, case: its, page, tried: { ok: true, before, after, declined } };
  });
  return done(await Promise.all(tried));
}
