import { may, ownStatement } from '@inkwell/review';
import type { Metadata } from 'next';
import { OwnStatementScreen } from '@/features/report/OwnStatementScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Statement' };

/** What the public is told of a collection, as it is written. */
export default async function OwnStatementPage({ params }: { params: Promise<{ collection: string }> }) {
  const collection = decodeURIComponent((await params).collection);
  const screen = await screenWithPeople((services, actor) => ownStatement(services, actor, { collection }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: 'Ledger', href: `/collections/${collection}` },
    { label: 'Report', href: `/collections/${collection}/report` },
    { label: 'Statement' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <OwnStatementScreen statement={shown} collection={collection} mayWrite={may(actor, 'sign off', 'house')} />
    </Shell>
  );
}
