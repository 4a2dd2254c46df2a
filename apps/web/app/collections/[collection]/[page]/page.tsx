import type { Metadata } from 'next';
import { desk, may } from '@inkwell/review';
import { DeskScreen } from '@/features/desk/DeskScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string; page: string }>;
}

async function screenOf({ params }: Place) {
  const { collection, page } = await params;
  return screenWithPeople((db) => desk(db, decodeURIComponent(collection), decodeURIComponent(page)));
}

export async function generateMetadata(place: Place): Promise<Metadata> {
  const screen = await screenOf(place);
  return { title: 'data' in screen ? `${screen.data.shown.title} · ${screen.data.shown.collection.title}` : 'Desk' };
}

export default async function DeskPage(place: Place) {
  const screen = await screenOf(place);
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: shown.collection.title, href: `/collections/${shown.collection.slug}` }, { label: shown.title }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <DeskScreen key={shown.pageId} initial={shown} can={{ change: may(actor, 'change a page'), rule: may(actor, 'rule'), signOff: may(actor, 'sign off') }} />
    </Shell>
  );
}
