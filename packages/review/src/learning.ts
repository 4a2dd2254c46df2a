import { ruleOf, sentenceOf } from '@inkwell/core';
import { cameBack, collectionBySlug, house, ownSlips, personById, snapshot, type CameBack, type OwnSlip } from '@inkwell/store';
import { may, unlessAllowed, visibleTo, type Actor } from './actor.ts';
import { titleOf } from './fix.ts';
import { done, notFound, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';

/** How much came back, under one name. */
export interface BackUnder {
  name: string;
  many: number;
}

export interface Learning {
  collection: { slug: string; title: string } | null;
  /** The first month told, as YYYY-MM, to this one. */
  months: string[];
  /** How much came back in each month, by family. */
  byMonth: { month: string; families: Record<string, number>; many: number }[];
  byRule: BackUnder[];
  byPerson: BackUnder[];
  byContentType: BackUnder[];
  many: number;
}

/** Months told, this one among them. */
const MONTHS = 12;
/** Rules and people told at most. */
const MOST = 20;

/** What was fixed and came back in the last twelve months: by month and family, by rule, by whose change, by content type. */
export function learning(services: Services, actor: Actor, wish: { collection: string | null }): Promise<Result<Learning>> {
  return snapshot(services.db, async (at) => {
    const collection = wish.collection === null ? null : await collectionBySlug(at, wish.collection);
    if (collection === undefined) return notFound('This collection');
    const barred = collection && unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    if (!collection && !may(actor, 'hand out', 'house') && !may(actor, 'rule', 'house')) return notFound('This');
    const { timeZone } = await house(at);
    const months = monthsUntil(dayIn(timeZone, services.now()));
    const collections = collection ? [collection.id] : visibleTo(actor);
    const back = await cameBack(at, { collections, since: `${months[0]}-01`, timeZone });
    return done({
      collection: collection && { slug: collection.slug, title: collection.title },
      months,
      byMonth: months.map((month) => monthOf(month, back)),
      byRule: under(back, ({ rule }) => titleOf(rule)),
      byPerson: under(back, ({ by }) => by),
      byContentType: under(back, ({ contentType }) => contentType),
      many: back.reduce((sum, one) => sum + one.many, 0),
    });
  });
}

function monthsUntil(today: string): string[] {
  const [year, month] = today.split('-').map(Number) as [number, number];
  return Array.from({ length: MONTHS }, (_, nth) => {
    const of = new Date(Date.UTC(year, month - MONTHS + nth, 1));
    return of.toISOString().slice(0, 7);
  });
}

function monthOf(month: string, back: readonly CameBack[]): Learning['byMonth'][number] {
  const own = back.filter((one) => one.month === month);
  const families: Record<string, number> = {};
  for (const { family, many } of own) families[family] = (families[family] ?? 0) + many;
  return { month, families, many: own.reduce((sum, one) => sum + one.many, 0) };
}

function under(back: readonly CameBack[], nameOf: (one: CameBack) => string): BackUnder[] {
  const sums = new Map<string, number>();
  for (const one of back) sums.set(nameOf(one), (sums.get(nameOf(one)) ?? 0) + one.many);
  return [...sums]
    .map(([name, many]) => ({ name, many }))
    .sort((a, b) => b.many - a.many || a.name.localeCompare(b.name))
    .slice(0, MOST);
}

/** One of somebody's commonest slips, in plain words, with one of their own places. */
export interface OwnSlipView extends Omit<OwnSlip, 'rule' | 'message' | 'values'> {
  name: string;
  why: string;
  advice: string;
  sentence: string;
}

export interface NoteFor {
  person: { id: string; name: string };
  isOwn: boolean;
  slips: OwnSlipView[];
}

/** Slips told in a note. */
const COMMONEST = 3;

/** A note for somebody about the slips they make most, from their own pages: their own, or anybody's for whoever hands work out. */
export function noteFor(services: Services, actor: Actor, wish: { person: string | null }): Promise<Result<NoteFor>> {
  return snapshot(services.db, async (at) => {
    const isOwn = wish.person === null || wish.person === actor.id;
    if (!isOwn && !may(actor, 'hand out', 'house')) return notFound('This note');
    const person = isOwn ? actor : await personById(at, wish.person!);
    if (!person || person.kind !== 'person') return notFound('This note');
    const slips = await ownSlips(at, { person: person.id, collections: visibleTo(actor) }, COMMONEST);
    return done({ person: { id: person.id, name: person.name }, isOwn, slips: slips.map(slipView) });
  });
}

function slipView({ rule: id, message, values, ...slip }: OwnSlip): OwnSlipView {
  const rule = ruleOf(id);
  return {
    ...slip,
    name: titleOf(id),
    why: rule?.why ?? '',
    advice: rule?.fix ?? '',
    sentence: sentenceOf({ rule: id, message, values }),
  };
}
