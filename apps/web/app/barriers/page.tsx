import { showBarriers } from '@inkwell/review';
import type { Metadata } from 'next';
import { BarriersScreen } from '@/features/report/BarriersScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'From readers' };

/** What readers told of, through the statements of collections. */
export default async function BarriersPage() {
  const screen = await screenWithPeople((services, actor) => showBarriers(services, actor, { onlyOpen: false }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'Questions', href: '/questions' }, { label: 'From readers' }];
  const mayAnswer = actor.memberships.some(({ role }) => role !== 'author' && role !== 'publisher');
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <BarriersScreen lines={shown} mayAnswer={mayAnswer} />
    </Shell>
  );
}
