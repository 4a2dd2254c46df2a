import { showReport } from '@inkwell/review';
import type { Metadata } from 'next';
import { ReportScreen } from '@/features/report/ReportScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Report' };

interface Place {
  params: Promise<{ collection: string }>;
  searchParams: Promise<{ page?: string; sample?: string }>;
}

/** The record of a collection, of a page, or of its sample. */
export default async function ReportPage({ params, searchParams }: Place) {
  const collection = decodeURIComponent((await params).collection);
  const { page = null, sample } = await searchParams;
  const sampleOnly = sample !== undefined;
  const screen = await screenWithPeople((services, actor) => showReport(services, actor, { collection, page, sampleOnly }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'Ledger', href: `/collections/${collection}` }, { label: 'Report' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <ReportScreen key={`${page} ${sampleOnly}`} shown={shown} collection={collection} page={page} sampleOnly={sampleOnly} />
    </Shell>
  );
}
