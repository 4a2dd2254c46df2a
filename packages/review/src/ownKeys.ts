import { writeKeys, type KeySettings } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, refused, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** Keeps somebody's own keys of the Desk, in place of those before. No key may do two things. */
export async function setKeys(services: Services, actor: Actor, wish: KeySettings): Promise<Result<null>> {
  const barred = unlessAllowed(actor, 'see', 'house');
  if (barred && actor.memberships.length === 0) return barred;
  const keys = Object.values(wish.assigned);
  if (new Set(keys).size < keys.length)
    return refused({ code: 'bad-page', what: 'One key was given to two things', kept: 'Your keys are as they were.' });
  await writeKeys(services.db, actor.id, wish);
  return done(null);
}
