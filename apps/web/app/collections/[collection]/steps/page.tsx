import type { Metadata } from 'next';
import { walk } from '@inkwell/review';
import { StepsScreen } from '@/features/steps/StepsScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Steps' };

interface Place {
  params: Promise<{ collection: string }>;
  searchParams: Promise<{ after?: string | string[] }>;
}

export default async function StepsPage({ params, searchParams }: Place) {
  const collection = decodeURIComponent((await params).collection);
  const { after } = await searchParams;
  const screen = await screenWithPeople((services, actor) =>
    walk(services, actor, { collection, after: typeof after === 'string' ? after : undefined }),
  );
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.collection.title, href: `/collections/${shown.collection.slug}` },
    { label: 'Steps' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <StepsScreen walk={shown} />
    </Shell>
  );
}
