import type { Metadata } from 'next';
import { desk, may } from '@inkwell/review';
import { DeskScreen } from '@/features/desk/DeskScreen';
import { currentActor, everyone } from '@/server/actor';
import { database } from '@/server/database';
import { screenData } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string; page: string }>;
}

export async function generateMetadata({ params }: Place): Promise<Metadata> {
  const { collection, page } = await params;
  const shown = await screenData(async () => desk(await database(), decodeURIComponent(collection), decodeURIComponent(page)));
  return { title: 'data' in shown ? `${shown.data.title} · ${shown.data.collection.title}` : 'Desk' };
}

export default async function DeskPage({ params }: Place) {
  const { collection, page } = await params;
  const shown = await screenData(async () => {
    const read = await desk(await database(), decodeURIComponent(collection), decodeURIComponent(page));
    return read.ok ? { ok: true, value: { desk: read.value, actor: await currentActor(), people: await everyone() } } : read;
  });
  if ('problem' in shown) return <ProblemScreen problem={shown.problem} />;
  const { desk: view, actor, people } = shown.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: view.collection.title, href: `/collections/${view.collection.slug}` }, { label: view.title }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <DeskScreen key={view.pageId} initial={view} can={{ change: may(actor, 'change a page'), rule: may(actor, 'rule'), signOff: may(actor, 'sign off') }} />
    </Shell>
  );
}
