import type { Metadata } from 'next';
import { repeated } from '@inkwell/review';
import { RepeatedScreen } from '@/features/repeated/RepeatedScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'One slip, many pages' };

export default async function RepeatedPage({ params }: { params: Promise<{ collection: string }> }) {
  const collection = decodeURIComponent((await params).collection);
  const screen = await screenWithPeople((services, actor) => repeated(services, actor, { collection }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.collection.title, href: `/collections/${shown.collection.slug}` },
    { label: 'One slip, many pages' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <RepeatedScreen shown={shown} />
    </Shell>
  );
}
