import type { Metadata } from 'next';
import { ledger } from '@inkwell/review';
import { LedgerScreen } from '@/features/ledger/LedgerScreen';
import { currentActor, everyone } from '@/server/actor';
import { database } from '@/server/database';
import { screenData } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string }>;
}

export async function generateMetadata({ params }: Place): Promise<Metadata> {
  const { collection } = await params;
  const shown = await screenData(async () => ledger(await database(), decodeURIComponent(collection)));
  return { title: 'data' in shown ? shown.data.title : 'Ledger' };
}

export default async function LedgerPage({ params }: Place) {
  const { collection } = await params;
  const shown = await screenData(async () => {
    const read = await ledger(await database(), decodeURIComponent(collection));
    return read.ok ? { ok: true, value: { ledger: read.value, actor: await currentActor(), people: await everyone() } } : read;
  });
  if ('problem' in shown) return <ProblemScreen problem={shown.problem} />;
  const { ledger: book, actor, people } = shown.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: book.title }]} actor={actor} people={people}>
      <LedgerScreen ledger={book} />
    </Shell>
  );
}
