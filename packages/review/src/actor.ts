import { SYSTEM, type Person, type Role } from '@inkwell/store';
import { notFound, refused, type Problem } from './problems.ts';

/** Who acts. Every use-case takes one, reading too; every change records it. */
export type Actor = Pick<Person, 'id' | 'name' | 'kind' | 'disabled' | 'memberships'>;

export type Act =
  | 'see'
  | 'bring in'
  | 'look after a collection'
  | 'change a page'
  | 'rule'
  | 'let stand'
  | 'sign off'
  | 'publish'
  | 'hand out'
  | 'set the standard'
  | 'look after people'
  | 'keep the house';

/** What an act is done to: something of a collection, or the house as a whole. */
export type ActedOn = { collection: number } | 'house';

const EVERYBODY: readonly Role[] = ['reviewer', 'author', 'publisher', 'specialist', 'administrator'];

const MAY: Record<Act, readonly Role[]> = {
  see: EVERYBODY,
  'bring in': ['reviewer', 'author', 'administrator'],
  'look after a collection': ['reviewer', 'publisher', 'administrator'],
  'change a page': ['reviewer', 'author', 'administrator'],
  rule: ['reviewer', 'specialist', 'administrator'],
  'let stand': ['reviewer', 'administrator'],
  'hand out': ['reviewer', 'publisher', 'administrator'],
  'sign off': ['reviewer', 'publisher', 'administrator'],
  publish: ['publisher', 'administrator'],
  'set the standard': ['administrator'],
  'look after people': ['administrator'],
  'keep the house': [],
};

/** Nobody: whoever is not known here. */
export const NOBODY: Actor = { id: '', name: 'Nobody', kind: 'person', disabled: false, memberships: [] };

/** The system itself: it ends what ran out and audits in the background, and does nothing a person should answer for. */
export const THE_SYSTEM: Actor = { id: SYSTEM, name: 'Inkwell Check', kind: 'system', disabled: false, memberships: [] };

const SYSTEM_MAY: readonly Act[] = ['see', 'keep the house'];

/** The one table of who may do what to what. The house is kept by whoever has a part in all collections. */
export function may(actor: Actor, act: Act, on: ActedOn): boolean {
  if (actor.kind === 'system') return SYSTEM_MAY.includes(act);
  if (actor.disabled) return false;
  return rolesOf(actor, on).some((role) => MAY[act].includes(role));
}

function rolesOf({ memberships }: Actor, on: ActedOn): Role[] {
  return memberships
    .filter(({ collection }) => collection === null || (on !== 'house' && collection === on.collection))
    .map(({ role }) => role);
}

/** The collections in which an actor may do something: ids, or null for all. */
export function reachOf(actor: Actor, act: Act): number[] | null {
  if (may(actor, act, 'house')) return null;
  if (actor.disabled || actor.kind === 'system') return [];
  return actor.memberships.flatMap(({ collection, role }) => (collection !== null && MAY[act].includes(role) ? [collection] : []));
}

/** The collections an actor may see: ids, or null for all. */
export function visibleTo(actor: Actor): number[] | null {
  if (actor.kind === 'system' || (!actor.disabled && actor.memberships.some(({ collection }) => collection === null))) return null;
  return actor.disabled ? [] : actor.memberships.map(({ collection }) => collection!);
}

/** Null when the actor may act, else the problem to hand back. What one may not even see is not there. */
export function unlessAllowed(actor: Actor, act: Act, on: ActedOn, what = 'This page'): { ok: false; problem: Problem } | null {
  if (may(actor, act, on)) return null;
  if (!may(actor, 'see', on)) return notFound(what);
  return refused({
    code: 'not-allowed',
    what: `${actor.name} may not do this`,
    why: `To ${act} is for ${MAY[act].join(', ')}; you are here as ${[...new Set(rolesOf(actor, on))].join(', ')}.`,
    kept: 'Nothing was changed.',
    next: 'Ask someone with that part, or change who is at the desk.',
  });
}
