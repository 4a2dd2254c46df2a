import type { Metadata } from 'next';
import { trend } from '@inkwell/review';
import { TrendScreen } from '@/features/trend/TrendScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Trend' };

export default async function TrendPage({ params }: { params: Promise<{ collection: string }> }) {
  const collection = decodeURIComponent((await params).collection);
  const screen = await screenWithPeople((services, actor) => trend(services, actor, { collection }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.collection.title, href: `/collections/${shown.collection.slug}` },
    { label: 'Trend' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <TrendScreen shown={shown} />
    </Shell>
  );
}
