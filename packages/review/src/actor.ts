import type { Person, Role } from '@inkwell/store';
import { refused, type Problem } from './problems.ts';

/** The person who acts. Every use-case that changes something takes one, and every change records it. */
export type Actor = Pick<Person, 'id' | 'name' | 'role'>;

export type Act = 'bring in' | 'change a page' | 'rule' | 'sign off';

const MAY: Record<Act, readonly Role[]> = {
  'bring in': ['reviewer', 'author', 'administrator'],
  'change a page': ['reviewer', 'author', 'administrator'],
  rule: ['reviewer', 'administrator'],
  'sign off': ['reviewer', 'publisher', 'administrator'],
};

export function may(actor: Actor, act: Act): boolean {
  return MAY[act].includes(actor.role);
}

/** Null when the actor may act, else the problem to hand back. */
export function unlessAllowed(actor: Actor, act: Act): { ok: false; problem: Problem } | null {
  if (may(actor, act)) return null;
  return refused({
    code: 'not-allowed',
    what: `${actor.name} may not do this`,
    why: `To ${act} is for ${MAY[act].join(', ')}; you are here as ${actor.role}.`,
    kept: 'Nothing was changed.',
    next: 'Ask someone with that part, or change who is at the desk.',
  });
}
