import type { Family } from '@inkwell/core';
import {
  addMessages,
  handBack,
  handedCards,
  handedGroups,
  handOn,
  house,
  inHands,
  pageById,
  personById,
  snapshot,
  writing,
  type HandedBy,
  type HandedCard,
  type HandedColumn,
  type HandedGroup,
  type Person,
  type Write,
} from '@inkwell/store';
import { may, reachOf, unlessAllowed, type Actor } from '../actor.ts';
import { costOf, houseEffort } from '../effort.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { dayIn, isDay, type Services } from '../services.ts';

/** Groups told at once, and cards of each column. */
const GROUPS_AT_ONCE = 100;
const CARDS_AT_ONCE = 40;
/** Findings that are handed on at once. */
export const MOST_HANDED_ON = 20_000;

/** What is looked at of all that is handed out. */
export interface HandedChoice {
  by: HandedBy;
  person: string | null;
  family: Family | null;
  page: number | null;
  /** A day; '' for what has none. */
  due: string | null;
}

export interface HandedShown {
  choice: HandedChoice;
  today: string;
  /** As a table: what is put together by something, with the hours that what is to do will take; empty as a board. */
  groups: (HandedGroup & { hours: number })[];
  /** How many groups stand before; null where nothing follows. */
  next: number | null;
  /** As a board; empty as a table. */
  columns: { column: HandedColumn; cards: HandedCard[]; findings: number; total: number }[];
  /** What the chosen person or page is called. */
  named: { person: string | null; page: string | null };
}

/** All that is handed out, as a table by person, page, family or day, or as a board, for whoever hands work out. */
export function handedOut(
  services: Services,
  actor: Actor,
  wish: HandedChoice & { as: 'table' | 'board'; skip: number },
): Promise<Result<HandedShown>> {
  return snapshot(services.db, async (at) => {
    const collections = reachOf(actor, 'hand out');
    if (collections?.length === 0) return notAllowed(actor);
    const { as, skip, ...choice } = wish;
    if (choice.due !== null && choice.due !== '' && !isDay(choice.due)) return notFound('This day');
    const owner = await house(at);
    const today = dayIn(owner.timeZone, services.now());
    const asked = { ...choice, collections };
    const groups = as === 'table' ? await handedGroups(at, asked, today, { skip, limit: GROUPS_AT_ONCE + 1 }) : [];
    const effort = await houseEffort(services, at);
    return done({
      choice,
      today,
      groups: groups.slice(0, GROUPS_AT_ONCE).map((group) => ({ ...group, hours: costOf(effort, owner, group.families).hours })),
      next: groups.length > GROUPS_AT_ONCE ? skip + GROUPS_AT_ONCE : null,
      columns: as === 'board' ? await handedCards(at, asked, today, CARDS_AT_ONCE) : [],
      named: await namedIn(at, choice, collections),
    });
  });
}

/** What the person and the page that are looked at are called, as far as whoever looks may know. */
async function namedIn(at: Write, { person, page }: HandedChoice, collections: readonly number[] | null): Promise<HandedShown['named']> {
  const found = page === null ? undefined : await pageById(at, page);
  const isSeen = found && (collections === null || collections.includes(found.collection_id));
  return {
    person: person === null ? null : ((await personById(at, person))?.name ?? person),
    page: page === null ? null : isSeen ? found.title : 'a page that is not here',
  };
}

const notAllowed = (actor: Actor) => unlessAllowed(actor, 'hand out', 'house', 'This')!;

/** What is to become of what is in hands: other hands, another day (null: none), or nobody's. What is not said stays. */
export type HandedChange = { to?: string | undefined; due?: string | null | undefined } | 'back';

export interface HandedChanged {
  changed: number;
  /** Findings that were left, because whoever acts, or whoever they would go to, may not there. */
  left: number;
}

/** Hands on, dates anew or takes back what waits on some pages of some people. */
export function changeHanded(
  services: Services,
  actor: Actor,
  wish: { cards: readonly { page: number; person: string }[]; change: HandedChange; site: string },
): Promise<Result<HandedChanged>> {
  return writing(services.db, async (trx) => {
    const collections = reachOf(actor, 'hand out');
    if (collections?.length === 0) return notAllowed(actor);
    const all = await inHands(trx, wish, MOST_HANDED_ON + 1);
    if (all.length > MOST_HANDED_ON) return TOO_MANY;
    const own = all.filter(({ collection }) => collections === null || collections.includes(collection));
    if (wish.change === 'back') {
      const changed = await handBack(
        trx,
        own.map(({ finding }) => finding),
      );
      return done({ changed, left: all.length - changed });
    }
    const { to: toWhom, due } = wish.change;
    if (typeof due === 'string') {
      const why = dayTrouble(due, dayIn((await house(trx)).timeZone, services.now()));
      if (why !== null) return refused({ code: 'bad-page', what: why, kept: 'Nothing was changed.' });
    }
    const to = toWhom === undefined ? undefined : await personById(trx, toWhom);
    if (toWhom !== undefined && (!to || to.kind !== 'person' || to.disabled)) return notFound('This person');
    const able = own.filter(({ collection }) => !to || mayTake(to, collection));
    const rows = able.map((one) => ({ finding: one.finding, to: to?.id ?? one.to, due: due === undefined ? one.due : due }));
    const changed = rows.length === 0 ? 0 : await handOn(trx, actor.id, rows);
    if (to?.email && to.id !== actor.id && changed > 0)
      await addMessages(trx, [{ person: to.id, address: to.email, ...handedOnMessage(actor, changed, due ?? null, wish.site) }]);
    return done({ changed, left: all.length - changed });
  });
}

const TOO_MANY = refused({
  code: 'too-large',
  what: `That is more than ${MOST_HANDED_ON} findings`,
  kept: 'Nothing was changed.',
  next: 'Choose fewer at a time.',
});

/** Whether somebody can do what is handed to them in a collection. */
export const mayTake = (to: Person, collection: number) => may(to, 'change a page', { collection }) || may(to, 'rule', { collection });

/** Why nothing can be due on a day; null where it can. */
export function dayTrouble(day: string, today: string): string | null {
  if (!isDay(day)) return `There is no day ${day}`;
  return day < today ? 'The day is past already' : null;
}

/** What whoever is handed something is told. */
export function handedOnMessage(actor: Actor, many: number, due: string | null, site: string) {
  const things = `${many} ${many === 1 ? 'thing' : 'things'}`;
  const body = `${actor.name} hands ${things} on to you${due === null ? '' : `, by ${due}`}.\n\n${site}/docket\n`;
  return { subject: `${things} handed on to you`, body };
}
