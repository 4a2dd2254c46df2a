import { addLinks, addMessages, type Write } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import type { Services } from '../services.ts';
import { linkMade, messageWith, type LinkTo } from './links.ts';

/** Invites people: each is sent a link to choose a password with; links sent before are good no more. */
export async function sendInvitations(
  trx: Write,
  services: Services,
  { actor, to, site }: { actor: Actor; to: readonly LinkTo[]; site: string },
): Promise<void> {
  const text = `${actor.name} invites you to Inkwell Check, where pages are made right for every reader. Choose a password here:`;
  const made = to.map((one) => ({ one, ...linkMade(services, { to: one, purpose: 'invitation', by: actor.id, site }) }));
  await addLinks(
    trx,
    made.map(({ row }) => row),
  );
  await addMessages(
    trx,
    made.map(({ one, link }) => messageWith(one, 'invitation', { text, link })),
  );
}
