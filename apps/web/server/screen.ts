import 'server-only';
import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import type { Problem, Result, Services } from '@inkwell/review';
import { isAway, type Person } from '@inkwell/store';
import { colleaguesOf, currentActor, SignedOut, type Somebody } from './actor';
import { isDemo } from './auth';
import { AWAY } from './answer';
import { services } from './services';

export interface WithPeople<T> {
  shown: T;
  /** Who is signed in; in the demo whoever sits here may become somebody else with one press. */
  actor: Person & { isDemo: boolean };
  /** Whoever they work with. */
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
    if (result.ok) return { data: { shown: result.value, actor: { ...actor, isDemo: isDemo() }, people: await colleaguesOf(actor) } };
    if (result.problem.code === 'not-found') notFound();
    return { problem: result.problem };
  } catch (error) {
    if (isAway(error)) return { problem: AWAY };
    if (error instanceof SignedOut) redirect(`/sign-in?next=${encodeURIComponent((await headers()).get('x-place') ?? '/')}`);
    throw error;
  }
}

/** The same of a screen that nobody need be signed in for. */
export async function openScreen<T>(read: (services: Services) => Promise<Result<T>>): Promise<{ shown: T } | { problem: Problem }> {
  try {
    const result = await read(await services());
    if (result.ok) return { shown: result.value };
    if (result.problem.code === 'not-found') notFound();
    return { problem: result.problem };
  } catch (error) {
    if (isAway(error)) return { problem: AWAY };
    throw error;
  }
}

/** A value as it comes over the wire, moments as texts: so that what a screen begins with is what it is sent later. */
export const asSent = <T>(value: unknown): T => JSON.parse(JSON.stringify(value)) as T;
