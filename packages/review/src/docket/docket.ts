import { sentenceOf } from '@inkwell/core';
import {
  addMessages,
  collectionBySlug,
  docketFamilies,
  docketItems,
  docketPages,
  docketSums,
  handOutOn,
  handOutThings,
  house,
  lockCollection,
  people,
  personById,
  snapshot,
  takeFromHands,
  writing,
  type DocketItem,
  type DocketPage,
  type DocketPlace,
  type DocketState,
  type DocketWish,
  type Person,
  type Standing,
  type Write,
} from '@inkwell/store';
import { may, unlessAllowed, visibleTo, type Actor } from '../actor.ts';
import { chosenPages, type PagesChosen } from '../chosenPages.ts';
import { costOf, houseEffort } from '../effort.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { reached, type Reach } from '../registers/reach.ts';
import { thingsOf, type Chosen } from '../registers/register.ts';
import { dayIn, type Services } from '../services.ts';
import { dayTrouble, mayTake } from './handed.ts';

/** Longest word that goes with work, in characters. */
const LONGEST_WORD = 2_000;

/** What is handed to somebody: all that is open on some pages of a collection, or some of it. */
export interface HandOut {
  collection: string;
  to: string;
  /** The day by which it is to be done, as YYYY-MM-DD; null for none. */
  due: string | null;
  words: string;
  pages: readonly string[] | PagesChosen;
  findings: readonly number[] | null;
  /** Where this server is reached. */
  site: string;
}

/** What goes with work that is handed out. */
type Said = Pick<HandOut, 'due' | 'words' | 'site'>;

/** Hands work to somebody, who is written to. How far it is the findings say: nobody has to report it. */
export function handOut(services: Services, actor: Actor, wish: HandOut): Promise<Result<{ findings: number; pages: number }>> {
  return writing(services.db, async (trx) => {
    const collection = await lockCollection(trx, wish.collection);
    if (!collection || collection.taken_out_at !== null) return notFound('This collection');
    const barred = unlessAllowed(actor, 'hand out', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const today = dayIn((await house(trx)).timeZone, services.now());
    const to = await personById(trx, wish.to);
    const why = troubleWith(to, collection.id, wish, today);
    if (why !== null || !to)
      return refused({ code: 'declined', what: 'This is handed to nobody', why: why ?? '', kept: 'Nothing was changed.' });
    const pages = await chosenPages(trx, services, collection.id, wish.pages);
    const hand = { collection: collection.id, to: to.id, by: actor.id, due: wish.due, words: wish.words.trim() };
    const put = await handOutOn(trx, hand, pages, wish.findings, today);
    if (put.findings === 0) return NOTHING_OPEN;
    if (to.email !== null && to.id !== actor.id)
      await addMessages(trx, [{ person: to.id, address: to.email, ...messageOf(actor, collection.title, wish, put) }]);
    return done(put);
  });
}

function troubleWith(to: Person | undefined, collection: number, { due, words }: Said, today: string): string | null {
  if (!to || to.kind !== 'person' || to.disabled) return 'Nobody of that name works here.';
  if (!mayTake(to, collection)) return `${to.name} may neither change pages nor rule on questions in this collection.`;
  const trouble = due === null ? null : dayTrouble(due, today);
  if (trouble !== null) return `${trouble}.`;
  return [...words].length > LONGEST_WORD ? `The word that goes with it is longer than ${LONGEST_WORD} characters.` : null;
}

function messageOf(actor: Actor, title: string, { due, words, site }: Said, put: { findings: number; pages: number }) {
  const things = `${put.findings} ${put.findings === 1 ? 'thing' : 'things'} on ${put.pages} ${put.pages === 1 ? 'page' : 'pages'}`;
  const asked = `${actor.name} asks you to see to ${things} of ${title}${due === null ? '' : `, by ${due}`}.`;
  return { subject: `${things} to see to`, body: [asked, words.trim(), `${site}/docket`].filter(Boolean).join('\n\n') + '\n' };
}

/** What is handed to somebody of a register: all that is open on things that were chosen. */
export interface HandOutThings extends Reach {
  chosen: Chosen;
  to: string;
  due: string | null;
  words: string;
  site: string;
}

/** Things that are handed out at once. */
const MOST_THINGS = 20_000;

/** Hands out what is open on things of a register, in every collection where it may be handed to them. */
export function handOutChosen(services: Services, actor: Actor, wish: HandOutThings): Promise<Result<{ findings: number; pages: number }>> {
  return writing(services.db, async (trx) => {
    const found = await reached(trx, actor, 'hand out', wish);
    if (!found.ok) return found;
    const today = dayIn((await house(trx)).timeZone, services.now());
    const to = await personById(trx, wish.to);
    const able = found.value.filter(({ id }) => to && mayTake(to, id));
    const why = troubleWith(to, (able[0] ?? found.value[0])?.id ?? 0, wish, today);
    if (why !== null || !to)
      return refused({ code: 'declined', what: 'This is handed to nobody', why: why ?? '', kept: 'Nothing was changed.' });
    const things = await thingsOf(trx, found.value, wish.chosen, MOST_THINGS + 1);
    if (things.length > MOST_THINGS)
      return refused({ code: 'too-large', what: `That is more than ${MOST_THINGS} things`, kept: 'Nobody was given anything.' });
    const hand = { to: to.id, by: actor.id, due: wish.due, words: wish.words.trim() };
    const put = await handOutThings(trx, hand, { things, collections: able.map(({ id }) => id) }, today);
    if (put.findings === 0) return NOTHING_OPEN;
    const where = able.length === 1 ? able[0]!.title : 'several collections';
    if (to.email !== null && to.id !== actor.id)
      await addMessages(trx, [{ person: to.id, address: to.email, ...messageOf(actor, where, wish, put) }]);
    return done(put);
  });
}

const NOTHING_OPEN = refused({
  code: 'nothing-to-do',
  what: 'Nothing is open there',
  kept: 'Nobody was given anything.',
  next: 'Choose what has something open.',
});

/** Whoever work of a collection may be handed to, or of any that one may hand out in. */
export async function takers({ db }: Services, actor: Actor, wish: Reach): Promise<Result<{ id: string; name: string; role: string }[]>> {
  const found = await reached(db, actor, 'hand out', wish);
  if (!found.ok) return found;
  const able = (await people(db)).filter((person) => found.value.some(({ id }) => mayTake(person, id)));
  return done(able.map(({ id, name, memberships }) => ({ id, name, role: memberships[0]!.role })));
}

/** Takes findings back from whoever has them. */
export function takeFrom(
  services: Services,
  actor: Actor,
  wish: { collection: string; findings: readonly number[] },
): Promise<Result<{ findings: number }>> {
  return writing(services.db, async (trx) => {
    const collection = await collectionBySlug(trx, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, 'hand out', { collection: collection.id }, 'This collection');
    return barred ?? done({ findings: await takeFromHands(trx, collection.id, wish.findings) });
  });
}

/** A thing to be seen to, in plain words. */
export interface DocketThing {
  finding: number;
  sentence: string;
  standing: Standing;
  due: string | null;
  /** Who handed it out, and what they said. */
  by: string;
  words: string;
}

export interface DocketShown {
  person: { id: string; name: string };
  isOwn: boolean;
  /** Whether whoever looks may look at others' dockets too, and take work back. */
  mayHandOut: boolean;
  state: DocketState;
  sums: Record<DocketState | 'overdue', number>;
  /** What is still to be done will take about so long; null where nothing is. */
  hours: number | null;
  /** What day it is in the house. */
  today: string;
  pages: (DocketPage & { things: DocketThing[] })[];
  next: DocketPlace | null;
}

/** Pages told at once, and things of each. */
const PAGES_AT_ONCE = 40;
const THINGS_OF_A_PAGE = 30;

/** What somebody has to see to: one's own, or anybody's for whoever hands work out. */
export function docket(
  services: Services,
  actor: Actor,
  wish: { person?: string | undefined; state: DocketState; after: DocketPlace | null },
): Promise<Result<DocketShown>> {
  return snapshot(services.db, async (at) => {
    const isOwn = wish.person === undefined || wish.person === actor.id;
    const mayHandOut = may(actor, 'hand out', 'house');
    if (!isOwn && !mayHandOut) return notFound('This docket');
    const person = isOwn ? actor : await personById(at, wish.person!);
    if (!person || person.kind !== 'person') return notFound('This docket');
    const work: DocketWish = { person: person.id, collections: visibleTo(actor), state: wish.state };
    return done({ ...(await pagesOf(at, services, work, wish.after)), person: { id: person.id, name: person.name }, isOwn, mayHandOut });
  });
}

async function pagesOf(at: Write, services: Services, work: DocketWish, after: DocketPlace | null) {
  const today = dayIn((await house(at)).timeZone, services.now());
  const sums = await docketSums(at, work, today);
  const families = await docketFamilies(at, work);
  const hours = sums['to do'] === 0 ? null : costOf(await houseEffort(services, at), await house(at), families).hours;
  const lines = await docketPages(at, work, after, PAGES_AT_ONCE + 1);
  const pages = lines.slice(0, PAGES_AT_ONCE);
  const items = await docketItems(
    at,
    work,
    pages.map(({ page }) => page),
    THINGS_OF_A_PAGE,
  );
  const byPage = new Map<number, DocketThing[]>();
  for (const item of items) byPage.set(item.page, [...(byPage.get(item.page) ?? []), thingOf(item)]);
  const last = pages.at(-1);
  return {
    state: work.state,
    sums,
    hours,
    today,
    pages: pages.map((page) => ({ ...page, things: byPage.get(page.page) ?? [] })),
    next: lines.length > PAGES_AT_ONCE && last ? { due: last.due, page: last.page } : null,
  };
}

const thingOf = (item: DocketItem): DocketThing => ({
  finding: item.finding,
  sentence: sentenceOf(item),
  standing: item.standing,
  due: item.due,
  by: item.by,
  words: item.words,
});
