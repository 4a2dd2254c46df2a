import { PEOPLE_AT_ONCE, showDeeds } from '@inkwell/review';
import type { Metadata } from 'next';
import { DeedsScreen, type DeedRow } from '@/features/people/DeedsScreen';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Record' };

/** Who did what to whom and to the house. */
export default async function DeedsPage() {
  const screen = await screenWithPeople((services, actor) => showDeeds(services, actor, { words: '', before: null }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'People', href: '/people' }, { label: 'Record' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <DeedsScreen deeds={asSent<DeedRow[]>(shown)} most={PEOPLE_AT_ONCE} />
    </Shell>
  );
}
