import { notices } from '@inkwell/review';
import type { Metadata } from 'next';
import { NoticesScreen } from '@/features/people/NoticesScreen';
import { ownAddress } from '@/server/auth';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Notices' };

/** What somebody was told. */
export default async function NoticesPage() {
  const screen = await screenWithPeople((services, actor) => notices(services, actor, { before: null }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'Notices' }]} actor={actor} people={people}>
      <NoticesScreen key={shown.notices[0]?.id ?? 0} shown={shown} site={ownAddress()} />
    </Shell>
  );
}
