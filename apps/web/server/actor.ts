import 'server-only';
import { cookies } from 'next/headers';
import { people, personById, type Person } from '@inkwell/store';
import { database } from './database';

export const PERSON_COOKIE = 'inkwell-person';

/**
 * Who is at the desk: the one place where the server learns it. Until people sign in, it is whoever was chosen in the header;
 * with nobody chosen, the first reviewer.
 */
export async function currentActor(): Promise<Person> {
  const db = await database();
  const chosen = (await cookies()).get(PERSON_COOKIE)?.value;
  const person = chosen ? await personById(db, chosen) : undefined;
  if (person && person.kind === 'person') return person;
  const all = await people(db);
  const first = all.find((one) => roleOf(one) === 'reviewer') ?? all[0];
  if (!first) throw new Error('Nobody is known here yet: seed the demo with bin/demo, or add people first.');
  return first;
}

/** Somebody who may be chosen. */
export interface Somebody {
  id: string;
  name: string;
  role: string;
}

export async function everyone(): Promise<Somebody[]> {
  return (await people(await database())).map((person) => ({ id: person.id, name: person.name, role: roleOf(person) }));
}

/** Whether somebody may be at the desk. */
export async function isKnown(id: string): Promise<boolean> {
  return (await personById(await database(), id))?.kind === 'person';
}

function roleOf({ memberships }: Person): string {
  return memberships.find((one) => one.collection === null)?.role ?? memberships[0]?.role ?? 'guest';
}
