import type { Metadata } from 'next';
import { SignInScreen } from '@/features/people/SignInScreen';
import { demoPeople } from '@/server/actor';
import { placeFrom } from '@/server/signIn';

export const metadata: Metadata = { title: 'Sign in' };

/** The door. */
export default async function SignInPage({ searchParams }: { searchParams: Promise<{ next?: string | string[] }> }) {
  const { next } = await searchParams;
  return <SignInScreen next={placeFrom(typeof next === 'string' ? next : undefined)} people={await demoPeople()} />;
}
