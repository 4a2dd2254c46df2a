import type { Metadata } from 'next';
import { SignInScreen } from '@/features/people/SignInScreen';
import { demoPeople } from '@/server/actor';
import { placeFrom } from '@/server/signIn';
import { signOn } from '@/server/signOn';

export const metadata: Metadata = { title: 'Sign in' };

/** The door. */
export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<{ next?: string | string[]; error?: string | string[] }>;
}) {
  const { next, error } = await searchParams;
  return (
    <SignInScreen
      next={placeFrom(typeof next === 'string' ? next : undefined)}
      people={await demoPeople()}
      signOn={signOn()?.name ?? null}
      turnedAway={error !== undefined}
    />
  );
}
