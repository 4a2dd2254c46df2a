import type { Metadata } from 'next';
import { ledger } from '@inkwell/review';
import { LedgerScreen } from '@/features/ledger/LedgerScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string }>;
}

export async function generateMetadata({ params }: Place): Promise<Metadata> {
  const { collection } = await params;
  const screen = await screenWithPeople((db) => ledger(db, decodeURIComponent(collection)));
  return { title: 'data' in screen ? screen.data.shown.title : 'Ledger' };
}

export default async function LedgerPage({ params }: Place) {
  const { collection } = await params;
  const screen = await screenWithPeople((db) => ledger(db, decodeURIComponent(collection)));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: shown.title }]} actor={actor} people={people}>
      <LedgerScreen ledger={shown} />
    </Shell>
  );
}
