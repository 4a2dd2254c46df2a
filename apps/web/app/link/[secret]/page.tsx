import { readLink, SHORTEST_PASSWORD } from '@inkwell/review';
import type { Metadata } from 'next';
import { LinkScreen, SpentLink } from '@/features/people/LinkScreen';
import { services } from '@/server/services';

// The address is a secret: it goes to nobody with what is followed from here.
export const metadata: Metadata = { title: 'Choose a password', referrer: 'no-referrer', robots: { index: false } };

/** Where an invitation, or a link for a new password, leads. */
export default async function LinkPage({ params }: { params: Promise<{ secret: string }> }) {
  const { secret } = await params;
  const found = await readLink(await services(), { secret });
  if (!found.ok) return <SpentLink problem={found.problem} />;
  const { name, email } = found.value;
  return <LinkScreen secret={secret} name={name} email={email} shortest={SHORTEST_PASSWORD} />;
}
