import { compareReports } from '@inkwell/review';
import type { Metadata } from 'next';
import { CompareScreen } from '@/features/report/CompareScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Two reports' };

interface Place {
  params: Promise<{ collection: string }>;
  searchParams: Promise<{ before?: string; after?: string; page?: string }>;
}

/** Two reports of one thing, side by side. */
export default async function ComparePage({ params, searchParams }: Place) {
  const collection = decodeURIComponent((await params).collection);
  const { before, after, page = null } = await searchParams;
  const wish = { collection, page, before: Number(before) || 0, after: after === undefined ? null : Number(after) || 0 };
  const screen = await screenWithPeople((services, actor) => compareReports(services, actor, wish));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: 'Ledger', href: `/collections/${collection}` },
    { label: 'Report', href: `/collections/${collection}/report` },
    { label: 'Two reports' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <CompareScreen compared={shown} collection={collection} />
    </Shell>
  );
}
