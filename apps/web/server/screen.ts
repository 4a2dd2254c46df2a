import 'server-only';
import { notFound } from 'next/navigation';
import type { Problem, Result } from '@inkwell/review';
import { isAway, type Database, type Person } from '@inkwell/store';
import { currentActor, everyone } from './actor';
import { AWAY } from './answer';
import { database } from './database';

/** What a screen shows, or the problem it shows instead. Anything unexpected goes on to the error screen. */
export async function screenData<T>(read: () => Promise<Result<T>>): Promise<{ data: T } | { problem: Problem }> {
  try {
    const result = await read();
    if (result.ok) return { data: result.value };
    if (result.problem.code === 'not-found') notFound();
    return { problem: result.problem };
  } catch (error) {
    if (isAway(error)) return { problem: AWAY };
    throw error;
  }
}

export interface WithPeople<T> {
  shown: T;
  actor: Person;
  people: Person[];
}

/** The same, with who is at the desk and who else there is: what the bar of every screen needs. */
export function screenWithPeople<T>(read: (db: Database) => Promise<Result<T>>): Promise<{ data: WithPeople<T> } | { problem: Problem }> {
  return screenData(async () => {
    const result = await read(await database());
    return result.ok ? { ok: true, value: { shown: result.value, actor: await currentActor(), people: await everyone() } } : result;
  });
}
