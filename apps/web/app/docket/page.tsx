import { docket, type DocketState } from '@inkwell/review';
import type { Metadata } from 'next';
import { DocketScreen } from '@/features/docket/DocketScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Docket' };

const STATES: readonly DocketState[] = ['to do', 'returned', 'done'];

interface Place {
  searchParams: Promise<{ person?: string | string[]; state?: string | string[] }>;
}

/** What somebody has to see to: an author's home. */
export default async function DocketPage({ searchParams }: Place) {
  const { person, state } = await searchParams;
  const wish = {
    person: typeof person === 'string' ? person : undefined,
    state: STATES.find((one) => one === state) ?? ('to do' as const),
    after: null,
  };
  const screen = await screenWithPeople((services, actor) => docket(services, actor, wish));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'Docket' }]} actor={actor} people={people}>
      <DocketScreen key={`${shown.person.id} ${shown.state}`} shown={shown} people={people} />
    </Shell>
  );
}
