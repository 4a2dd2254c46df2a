import 'server-only';
import { headers } from 'next/headers';
import { cache } from 'react';
import { visibleTo } from '@inkwell/review';
import { people, personById, type Person } from '@inkwell/store';
import { auth, isDemo } from './auth';
import { database } from './database';

/** Nobody is signed in: a screen leads to the door, an answer says so. */
export class SignedOut extends Error {}

/** The session of the request at hand; null where nobody is signed in. Ended ones are told from the database each time. */
export const currentSession = cache(async (): Promise<{ id: string; person: string } | null> => {
  const found = await (await auth()).api.getSession({ headers: await headers() });
  return found ? { id: found.session.id, person: found.user.id } : null;
});

/** What a browser asks for on its own, because a page refers to it (Fetch, request destinations): no person acts by that. */
const PARTS_OF_A_PAGE = new Set(
  'audio embed font frame iframe image json manifest object paintworklet report script style track video xslt'.split(' '),
);

/**
 * Who acts: the one place where the server learns it. An imported page that refers to an address of ours must not ask it in the name of
 * whoever looks at the page: what is asked for as a part of a page is asked by nobody. Files that pages show are answered by `viewer`.
 *
 * @throws SignedOut
 */
export async function currentActor(): Promise<Person> {
  if (PARTS_OF_A_PAGE.has((await headers()).get('sec-fetch-dest') ?? '')) throw new SignedOut();
  return viewer();
}

/**
 * Who looks at a page in its frame, or at a file that it shows.
 *
 * @throws SignedOut
 */
export async function viewer(): Promise<Person> {
  const session = await currentSession();
  const person = session ? await personById(await database(), session.person) : undefined;
  if (!person || person.kind !== 'person' || person.disabled) throw new SignedOut();
  return person;
}

/** Somebody who may be chosen. */
export interface Somebody {
  id: string;
  name: string;
  role: string;
}

const toChoose = (person: Person): Somebody => ({ id: person.id, name: person.name, role: roleOf(person) });

/** Whoever somebody works with: has not left, and has a part in all collections or in one that they may see too. In the demo everybody. */
export async function colleaguesOf(actor: Person): Promise<Somebody[]> {
  const seen = visibleTo(actor);
  const shared = ({ memberships }: Person) => memberships.some(({ collection }) => collection === null || seen?.includes(collection));
  const all = (await people(await database())).filter(({ disabled }) => !disabled);
  return all.filter((person) => seen === null || isDemo() || person.id === actor.id || shared(person)).map(toChoose);
}

/** In the demo: whoever may be let in with one press. Elsewhere nobody. */
export async function demoPeople(): Promise<Somebody[]> {
  if (!isDemo()) return [];
  return (await people(await database())).filter(({ disabled, email }) => !disabled && email !== null).map(toChoose);
}

/** The widest part somebody has. */
function roleOf({ memberships }: Pick<Person, 'memberships'>): string {
  return memberships.find((one) => one.collection === null)?.role ?? memberships[0]?.role ?? 'guest';
}
