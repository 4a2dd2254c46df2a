import 'server-only';
import { notFound } from 'next/navigation';
import type { Problem, Result, Services } from '@inkwell/review';
import { isAway, type Person } from '@inkwell/store';
import { currentActor, everyone, type Somebody } from './actor';
import { AWAY } from './answer';
import { services } from './services';

export interface WithPeople<T> {
  shown: T;
  actor: Person;
  people: Somebody[];
}

/**
 * What a screen shows, as far as who is at the desk may see it, with who else there is: what the bar of every screen needs. Or the
 * problem it shows instead; anything unexpected goes on to the error screen.
 */
export async function screenWithPeople<T>(
  read: (services: Services, actor: Person) => Promise<Result<T>>,
): Promise<{ data: WithPeople<T> } | { problem: Problem }> {
  try {
    const actor = await currentActor();
    const result = await read(await services(), actor);
    if (result.ok) return { data: { shown: result.value, actor, people: await everyone() } };
    if (result.problem.code === 'not-found') notFound();
    return { problem: result.problem };
  } catch (error) {
    if (isAway(error)) return { problem: AWAY };
    throw error;
  }
}
