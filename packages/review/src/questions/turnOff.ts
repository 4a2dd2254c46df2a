import { ruleOf } from '@inkwell/core';
import { house, profileById } from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { setStandard, type StandardSet } from '../standard.ts';

/** Has the house ask a kind of question no more: its own standard gets a version without it, which can be gone back on. */
export async function turnKindOff(services: Services, actor: Actor, wish: { rule: string }): Promise<Result<StandardSet>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house');
  if (barred) return barred;
  if (!ruleOf(wish.rule)?.question) return notFound('This kind of question');
  const profile = await profileById(services.db, (await house(services.db)).profileId);
  if (!profile) return notFound('The house’s profile');
  const selection = { ...profile.selection, weights: { ...profile.selection.weights, [wish.rule]: 'off' as const } };
  return setStandard(services, actor, { profile: profile.name, version: profile.version, selection });
}
