import { showHouse } from '@inkwell/review';
import type { Metadata } from 'next';
import { StandardScreen } from '@/features/house/StandardScreen';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'House standard' };

interface Place {
  searchParams: Promise<{ profile?: string | string[] }>;
}

/** What the house asks of its pages. */
export default async function StandardPage({ searchParams }: Place) {
  const { profile } = await searchParams;
  const wish = { profile: typeof profile === 'string' ? profile.slice(0, 80) : null };
  const screen = await screenWithPeople((services, actor) => showHouse(services, actor, wish));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'House standard' }]} actor={actor} people={people}>
      <StandardScreen key={`${shown.profile.name} ${shown.profile.version}`} shown={asSent(shown)} />
    </Shell>
  );
}
