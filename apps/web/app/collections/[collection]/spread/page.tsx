import type { Metadata } from 'next';
import { spread } from '@inkwell/review';
import { SpreadScreen } from '@/features/spread/SpreadScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Spread' };

interface Place {
  params: Promise<{ collection: string }>;
  searchParams: Promise<{ type?: string | string[]; after?: string | string[] }>;
}

export default async function SpreadPage({ params, searchParams }: Place) {
  const collection = decodeURIComponent((await params).collection);
  const { type, after } = await searchParams;
  const behind = typeof after === 'string' && /^\d{1,6}$/.test(after) ? Number(after) : 0;
  const screen = await screenWithPeople((services, actor) =>
    spread(services, actor, { collection, type: typeof type === 'string' ? type : undefined, after: behind }),
  );
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.collection.title, href: `/collections/${shown.collection.slug}` },
    { label: 'Spread' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <SpreadScreen shown={shown} />
    </Shell>
  );
}
