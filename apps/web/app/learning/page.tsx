import { learning } from '@inkwell/review';
import type { Metadata } from 'next';
import { LearningScreen } from '@/features/learning/LearningScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'What comes back' };

interface Place {
  searchParams: Promise<{ collection?: string | string[] }>;
}

/** What was fixed and came back. */
export default async function LearningPage({ searchParams }: Place) {
  const { collection } = await searchParams;
  const wish = { collection: typeof collection === 'string' ? collection : null };
  const screen = await screenWithPeople((services, actor) => learning(services, actor, wish));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const own = shown.collection ? [{ label: shown.collection.title, href: `/collections/${shown.collection.slug}` }] : [];
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, ...own, { label: 'What comes back' }]} actor={actor} people={people}>
      <LearningScreen shown={shown} />
    </Shell>
  );
}
