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
  if (person) return person;
  const everyone = await people(db);
  const first = everyone.find((one) => one.role === 'reviewer') ?? everyone[0];
  if (!first) throw new Error('Nobody is known here yet: seed the demo with bin/demo, or add people first.');
  return first;
}

export async function everyone(): Promise<Person[]> {
  return people(await database());
}
