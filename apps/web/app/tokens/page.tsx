import { tokens } from '@inkwell/review';
import type { Metadata } from 'next';
import { TokensScreen, type TokenRow } from '@/features/people/TokensScreen';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Tokens' };

/** Tokens with which programs act for people. */
export default async function TokensPage() {
  const screen = await screenWithPeople((services, actor) => tokens(services, actor));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'People', href: '/people' }, { label: 'Tokens' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <TokensScreen tokens={asSent<TokenRow[]>(shown)} now={new Date().toISOString()} />
    </Shell>
  );
}
