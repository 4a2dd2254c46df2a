import { ruleOf, TRAITS, type RegisterName } from '@inkwell/core';
import {
  outsideOf,
  registerLines,
  snapshot,
  thingsChosen,
  thingsNamed,
  TROUBLES,
  type Database,
  type Grouping,
  type OutsideAddress,
  type RegisterLine,
  type RegisterOrder,
  type RegisterWish,
  type Write,
} from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { done, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { outsideView, type OutsideView } from './outside.ts';
import { reached, type Reach, type ReachedCollection } from './reach.ts';

/** What of a register is asked for. */
export interface RegisterChoice {
  register: RegisterName;
  words?: string | undefined;
  /** A trait its uses have, or a rule that is open on one, or how it stands. */
  trait?: string | undefined;
  rule?: string | undefined;
  state?: NonNullable<RegisterWish['state']> | undefined;
  group?: Grouping | undefined;
  order?: RegisterOrder | undefined;
}

export interface ThingLine extends Omit<RegisterLine, 'troubles' | 'traits' | 'low' | 'high' | 'collections'> {
  /** Rules with something open on it, and what can be told of its uses at a glance. */
  rules: string[];
  traits: string[];
  /** Whether all uses say the same. */
  same: boolean;
  /** Of headings: the highest and the lowest level. */
  levels: [number, number] | null;
  /** Addresses of the collections it lies in. */
  collections: string[];
  /** Of a link that leads outside: how its address was found when it was last looked at. */
  outside: OutsideView | null;
}

export interface RegisterShown {
  collections: ReachedCollection[];
  choice: RegisterChoice;
  lines: ThingLine[];
  total: number;
  uses: number;
  open: number;
}

/** Lines told at once. */
export const REGISTER_LINES = 100;

/** How things are put together where nobody says. */
export const USUAL_GROUPING: Record<RegisterName, Grouping> = {
  images: 'alike',
  links: 'thing',
  headings: 'thing',
  tables: 'thing',
  lists: 'thing',
  colours: 'thing',
  media: 'thing',
  text: 'place',
};

/** A choice as the store takes it. */
export function wishOf(choice: RegisterChoice, collections: readonly { id: number }[]): Omit<RegisterWish, 'skip' | 'limit'> {
  const { register, words, trait, rule, state, group = USUAL_GROUPING[register], order = 'open' } = choice;
  const bit = trait ? (TRAITS[register] as readonly string[]).indexOf(trait) : -1;
  const trouble = rule ? TROUBLES[register].indexOf(rule) : -1;
  return {
    register,
    collections: collections.map(({ id }) => id),
    group,
    order,
    ...(words ? { words } : {}),
    ...(bit >= 0 ? { traits: 1 << bit } : {}),
    ...(trouble >= 0 ? { troubles: 1n << BigInt(trouble) } : {}),
    ...(state ? { state } : {}),
  };
}

/** Everything of one kind in a collection, or in all: a hundred lines of a choice from one on. */
export function register(
  services: Services,
  actor: Actor,
  wish: Reach & { choice: RegisterChoice; skip: number },
): Promise<Result<RegisterShown>> {
  return snapshot(services.db, async (at) => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const collections = found.value;
    const { lines, ...sums } = await registerLines(at, { ...wishOf(wish.choice, collections), skip: wish.skip, limit: REGISTER_LINES });
    const slugs = new Map(collections.map(({ id, slug }) => [id, slug]));
    const seen = wish.choice.register === 'links' ? await outsideOf(at, [...new Set(lines.map(({ place }) => place))]) : null;
    return done({
      collections,
      choice: wish.choice,
      ...sums,
      lines: lines.map((line) => lineView(wish.choice.register, line, slugs, seen?.get(line.place))),
    });
  });
}

/** A line as it is told. */
export function lineView(of: RegisterName, line: RegisterLine, slugs: ReadonlyMap<number, string>, outside?: OutsideAddress): ThingLine {
  const { troubles, traits, low, high, collections, ...rest } = line;
  const open = BigInt(troubles);
  return {
    ...rest,
    rules: TROUBLES[of].filter((_rule, bit) => (open >> BigInt(bit)) & 1n),
    traits: TRAITS[of].filter((_name, bit) => (traits >> bit) & 1),
    same: low === high,
    levels: of === 'headings' ? [Number(low), Number(high)] : null,
    collections: [...new Set(collections)].map((id) => slugs.get(id)!),
    outside: outside ? outsideView(outside) : null,
  };
}

/** The rules a register can be narrowed to, with their titles. */
export function rulesIn(of: RegisterName): { rule: string; title: string }[] {
  return TROUBLES[of].map((rule) => ({ rule, title: ruleOf(rule)?.title ?? rule }));
}

/** Things that were chosen: by their ids, or lines of a choice, or all it comes to. */
export type Chosen = { things: readonly string[] } | { choice: RegisterChoice; keys: readonly string[] | null };

/** The ids of what was chosen in collections, at most so many. */
export async function thingsOf(
  db: Database | Write,
  found: readonly ReachedCollection[],
  chosen: Chosen,
  limit: number,
): Promise<string[]> {
  if ('choice' in chosen) return thingsChosen(db, wishOf(chosen.choice, found), chosen.keys, limit);
  const collections = found.map(({ id }) => id);
  return (await thingsNamed(db, collections, chosen.things)).map(({ id }) => id);
}
