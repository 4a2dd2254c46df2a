import { caseOf, thingOf, TRAITS, type RegisterName, type RemedyOffer, type UseAround, type UseFacts } from '@inkwell/core';
import {
  casesOf,
  isOpenOn,
  snapshot,
  textsOfPages,
  thingsNamed,
  TROUBLES,
  usesOf,
  type CaseLine,
  type TextOfPage,
  type UseLine,
} from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { askedOf } from '../bars.ts';
import { placed, see, type Seen } from '../examine.ts';
import { keyOf, titleOf } from '../fix.ts';
import { done, notFound, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';
import { reached, type Reach, type ReachedCollection } from './reach.ts';

/** Uses of a thing that say the same in the same surroundings. */
export interface CaseView extends Pick<CaseLine, 'says' | 'facts' | 'uses' | 'pages' | 'open' | 'asks'> {
  /** The thing and the case, as a mend names them. */
  thing: string;
  case: string;
  name: string;
  place: string;
  collection: string;
  /** The page on which it comes first. */
  page: number;
}

export interface UseView extends Pick<UseLine, 'says' | 'facts' | 'many' | 'open' | 'asks' | 'slug' | 'title' | 'address'> {
  page: number;
  collection: string;
  collectionTitle: string;
  thing: string;
  case: string;
  rules: string[];
  traits: string[];
}

export interface ThingView {
  cases: CaseView[];
  /** Whether there are more cases than are told. */
  more: boolean;
  uses: UseView[];
}

/** Told at once. */
const MOST_CASES = 60;
const SOME_USES = 50;

/** Things as they are used: each case of them, and their uses from one on. */
export function thing(
  services: Services,
  actor: Actor,
  wish: Reach & { register: RegisterName; things: readonly string[]; skip: number },
): Promise<Result<ThingView>> {
  return snapshot(services.db, async (at) => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const among = new Map(found.value.map((one) => [one.id, one]));
    const there = await thingsNamed(at, [...among.keys()], wish.things);
    if (there.length === 0) return notFound('This');
    const ids = there.map(({ id }) => id);
    const cases = wish.skip === 0 ? await casesOf(at, ids, MOST_CASES + 1) : [];
    const uses = await usesOf(at, ids, { skip: wish.skip, limit: SOME_USES });
    return done({
      cases: cases.slice(0, MOST_CASES).map((line) => caseView(line, among.get(line.collection_id)!)),
      more: cases.length > MOST_CASES,
      uses: uses.map((line) => useView(wish.register, line, among.get(line.collection_id)!)),
    });
  });
}

/** The thing and the case of a use, as a mend names them. */
export const keysOf = ({ thing: name, place, says, facts }: { thing: string; place: string; says: string | null; facts: UseFacts }) => ({
  thing: thingOf({ name, place }),
  case: caseOf({ says, facts }),
});

function caseView(line: CaseLine, { slug: collection }: ReachedCollection): CaseView {
  const { says, facts, uses, pages, open, asks, page_id: page, place } = line;
  return { ...keysOf(line), name: line.thing, place, says, facts, uses, pages, open, asks, page, collection };
}

function useView(of: RegisterName, line: UseLine, collection: ReachedCollection): UseView {
  const { page_id: page, slug, title, address, says, facts, many, open, asks } = line;
  const troubles = BigInt(line.troubles);
  return {
    ...keysOf(line),
    page,
    slug,
    title,
    address,
    collection: collection.slug,
    collectionTitle: collection.title,
    says,
    facts,
    many,
    open,
    asks,
    rules: TROUBLES[of].filter((_rule, bit) => (troubles >> BigInt(bit)) & 1n),
    traits: TRAITS[of].filter((_name, bit) => (line.traits >> bit) & 1),
  };
}

/** Pages read for the words around a thing at one time. */
const MOST_READ = 8;

/** The words around uses of things, each on the page named for it. */
export async function around(
  services: Services,
  actor: Actor,
  wish: Reach & { register: RegisterName; on: readonly { page: number; thing: string }[] },
): Promise<Result<(UseAround & { page: number })[]>> {
  const read = await snapshot(services.db, async (at): Promise<Result<TextOfPage[]>> => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const collections = new Set(found.value.map(({ id }) => id));
    const texts = await textsOfPages(at, [...new Set(wish.on.map(({ page }) => page))].slice(0, MOST_READ));
    return done(texts.filter(({ collection_id }) => collections.has(collection_id)));
  });
  if (!read.ok) return read;
  const uses = await Promise.all(
    read.value.map(async (page) => {
      const things = wish.on.filter((one) => one.page === page.id).map((one) => one.thing);
      const text = placed(page, page.html, { titles: {} });
      return (await services.engine.run('uses', { page: text, register: wish.register, things })).map((use) => ({ ...use, page: page.id }));
    }),
  );
  return done(uses.flat());
}

export interface RuleOffers {
  rule: string;
  title: string;
  /** What was found, on the page on which it was looked at. */
  sentence: string;
  offers: RemedyOffer[];
}

/** What could be done to what stands open on a thing, as it is on one page. */
export async function offersOn(
  services: Services,
  actor: Actor,
  wish: { register: RegisterName; thing: string; page: number },
): Promise<Result<RuleOffers[]>> {
  const seen = await see(services, actor, 'see', wish.page);
  if (!seen.ok) return seen;
  const { page, text, findings } = seen.value;
  const today = dayIn(page.time_zone, services.now());
  const settled = findings.filter((finding) => !isOpenOn(finding, today) || !asked(seen.value, finding)).map(keyOf);
  const found = await services.engine.run('offers', { page: text, register: wish.register, thing: wish.thing, settled });
  return done(found.map(({ rule, sentence, offers }) => ({ rule, title: titleOf(rule), sentence, offers })));
}

function asked({ bar }: Seen, finding: Seen['findings'][number]): boolean {
  return askedOf([finding], bar).length > 0;
}
