import { sentenceOf } from '@inkwell/core';
import { readSheet, toCsvTable } from '@inkwell/formats';
import {
  addMessages,
  docketItems,
  docketPages,
  docketSums,
  handOn,
  house,
  inHands,
  peopleToTake,
  snapshot,
  writing,
  type DocketState,
  type DocketWish,
  type InHands,
  type Person,
} from '@inkwell/store';
import { may, reachOf, unlessAllowed, visibleTo, type Actor } from '../actor.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { dayTrouble, handedOnMessage, mayTake, MOST_HANDED_ON } from './handed.ts';

/** Things in a table at most: a table that was cut off would be taken for the whole. */
const SHEET_THINGS = 20_000;
const SHEET = [
  'finding',
  'for',
  'due',
  'collection',
  'page',
  'what',
  'standing',
  'name',
  'handed by',
  'with the words',
  'address',
] as const;

/** A docket as a table in CSV: one's own, another's, or everybody's (`person` null). */
export function docketSheet(
  services: Services,
  actor: Actor,
  wish: { person?: string | null | undefined; state: DocketState; site: string },
): Promise<Result<string>> {
  return snapshot(services.db, async (at) => {
    const isOwn = wish.person === undefined || wish.person === actor.id;
    if (!isOwn && !may(actor, 'hand out', 'house')) return notFound('This docket');
    const work: DocketWish = { person: isOwn ? actor.id : wish.person!, collections: visibleTo(actor), state: wish.state };
    const { [wish.state]: many } = await docketSums(at, work, dayIn((await house(at)).timeZone, services.now()));
    if (many > SHEET_THINGS)
      return refused({
        code: 'too-large',
        what: 'There is more on this docket than one table holds',
        why: `It has ${many} things, and a table at most ${SHEET_THINGS}.`,
        kept: 'Nothing was written, so that no table is taken for the whole.',
        next: 'Take the findings of a collection from its ledger.',
      });
    const pages = new Map((await docketPages(at, work, null, SHEET_THINGS)).map((page) => [page.page, page]));
    const items = await docketItems(at, work, [...pages.keys()], SHEET_THINGS);
    const rows = items.map((item) => {
      const { title, slug, collection, collectionTitle } = pages.get(item.page)!;
      const address = `${wish.site}/collections/${collection}/${slug}?note=${item.finding}`;
      const where = [collectionTitle, title, sentenceOf(item), item.standing, item.of, item.by, item.words, address];
      const said = [item.finding, item.ofEmail ?? item.of, item.due ?? '', ...where];
      return Object.fromEntries(SHEET.map((name, nth) => [name, said[nth]!]));
    });
    return done(toCsvTable(rows, SHEET));
  });
}

export interface DocketSheetTaken {
  changed: number;
  /** Rows that say what stands already. */
  same: number;
  /** Rows that no longer fit, by their number in the table, with the reason: they are kept aside, never guessed. */
  aside: { row: number; what: string; why: string }[];
}

/** Takes a table of handed work that was filled in elsewhere: whom each thing is for, and by when. */
export function takeDocketSheet(
  services: Services,
  actor: Actor,
  wish: { bytes: Uint8Array; site: string },
): Promise<Result<DocketSheetTaken>> {
  return writing(services.db, async (trx) => {
    const collections = reachOf(actor, 'hand out');
    if (collections?.length === 0) return unlessAllowed(actor, 'hand out', 'house', 'This')!;
    const sheet = readSheet(wish.bytes, ['finding', 'for', 'due', 'what']);
    if (!sheet.ok) return unread(`It ${sheet.why}.`);
    if (sheet.rows.length > MOST_HANDED_ON) return unread(`It has more than ${MOST_HANDED_ON} rows.`);
    const ids = sheet.rows.map(({ finding }) => (/^\d{1,9}$/.test(finding.trim()) ? Number(finding) : 0));
    const waiting = new Map((await inHands(trx, { findings: ids }, ids.length + 1)).map((one) => [one.finding, one]));
    const people = peopleBy(await peopleToTake(trx, [...new Set(sheet.rows.map((row) => row.for.trim()))]));
    const today = dayIn((await house(trx)).timeZone, services.now());
    const read = sheet.rows.map((row, nth) => {
      const now = waiting.get(ids[nth]!);
      const isWithin = now && (collections === null || collections.includes(now.collection));
      return rowRead(row, isWithin ? now : undefined, people, today);
    });
    const changes = read.flatMap((one) => ('change' in one ? [one.change] : []));
    if (changes.length > 0) await handOn(trx, actor.id, changes);
    await addMessages(trx, messagesFor(actor, changes, waiting, people, wish.site));
    return done({
      changed: changes.length,
      same: read.filter((one) => 'same' in one).length,
      aside: read.flatMap((one, nth) => ('why' in one ? [{ row: nth + 2, what: sheet.rows[nth]!.what, why: one.why }] : [])),
    });
  });
}

const unread = (why: string) =>
  refused({
    code: 'bad-page',
    what: 'This table cannot be taken',
    why,
    kept: 'Nothing was changed.',
    next: 'Download the table of what is handed out, fill in whom each is for and by when, and save it as CSV.',
  });

/** People by how a table names them: by address, or by name where only one has it. */
function peopleBy(found: readonly Person[]): ReadonlyMap<string, Person | null> {
  const by = new Map<string, Person | null>();
  for (const person of found) {
    by.set(person.name, by.has(person.name) ? null : person);
    by.set(person.id, person);
  }
  for (const person of found) if (person.email) by.set(person.email, person);
  return by;
}

type Change = Pick<InHands, 'finding' | 'to' | 'due'>;

function rowRead(
  row: { for: string; due: string },
  now: InHands | undefined,
  people: ReadonlyMap<string, Person | null>,
  today: string,
): { change: Change } | { same: true } | { why: string } {
  if (!now) return { why: 'It is in nobody’s hands any more, was done meanwhile, or is not yours to hand out.' };
  const [said, day] = [row.for.trim(), row.due.trim()];
  const to = said === '' ? undefined : people.get(said.includes('@') ? said.toLowerCase() : said);
  if (said !== '' && !to)
    return { why: to === null ? `More than one is called ${said}: give the address.` : `Nobody is known as ${said}.` };
  const due = day === '' ? null : day;
  const wanted = { finding: now.finding, to: to?.id ?? now.to, due };
  if (wanted.to === now.to && due === now.due) return { same: true };
  const trouble = due === null || due === now.due ? null : dayTrouble(due, today);
  if (trouble !== null) return { why: `${trouble}.` };
  if (to && to.id !== now.to && !mayTake(to, now.collection))
    return { why: `${to.name} may neither change pages nor rule on questions there.` };
  return { change: wanted };
}

/** One message for each person who has something that was another's. */
function messagesFor(
  actor: Actor,
  changes: readonly Change[],
  before: ReadonlyMap<number, InHands>,
  people: ReadonlyMap<string, Person | null>,
  site: string,
) {
  const many = new Map<string, number>();
  for (const { finding, to } of changes) if (before.get(finding)!.to !== to) many.set(to, (many.get(to) ?? 0) + 1);
  return [...many].flatMap(([id, things]) => {
    const person = people.get(id);
    if (!person?.email || id === actor.id) return [];
    return [{ person: id, address: person.email, ...handedOnMessage(actor, things, null, site) }];
  });
}
