import type { Metadata } from 'next';
import { ledger } from '@inkwell/review';
import { BringInScreen } from '@/features/bringIn/BringInScreen';
import { currentActor, everyone } from '@/server/actor';
import { database } from '@/server/database';
import { screenData } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Bring in a page' };

export default async function BringInPage({ params }: { params: Promise<{ collection: string }> }) {
  const { collection } = await params;
  const shown = await screenData(async () => {
    const read = await ledger(await database(), decodeURIComponent(collection));
    return read.ok ? { ok: true, value: { ledger: read.value, actor: await currentActor(), people: await everyone() } } : read;
  });
  if ('problem' in shown) return <ProblemScreen problem={shown.problem} />;
  const { ledger: book, actor, people } = shown.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: book.title, href: `/collections/${book.slug}` }, { label: 'Bring in a page' }]} actor={actor} people={people}>
      <BringInScreen collection={{ slug: book.slug, title: book.title }} />
    </Shell>
  );
}
