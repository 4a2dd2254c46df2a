import { cache } from 'react';
import type { Metadata } from 'next';
import { desk, may, type Actor } from '@inkwell/review';
import { DeskScreen } from '@/features/desk/DeskScreen';
import type { Permissions } from '@/features/desk/StandingLine';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string; page: string }>;
}

function permissions(actor: Actor, collection: number): Permissions {
  const on = { collection };
  return {
    change: may(actor, 'change a page', on),
    rule: may(actor, 'rule', on),
    handOut: may(actor, 'hand out', on),
    letStand: may(actor, 'let stand', on),
    signOff: may(actor, 'sign off', on),
    bringIn: may(actor, 'bring in', on),
  };
}

/** Read once, for the title and for the screen. */
const screenOf = cache((collection: string, page: string) =>
  screenWithPeople((services, actor) => desk(services, actor, { collection, page })),
);

async function screenAt({ params }: Place) {
  const { collection, page } = await params;
  return screenOf(decodeURIComponent(collection), decodeURIComponent(page));
}

export async function generateMetadata(place: Place): Promise<Metadata> {
  const screen = await screenAt(place);
  return { title: 'data' in screen ? `${screen.data.shown.title} · ${screen.data.shown.collection.title}` : 'Desk' };
}

export default async function DeskPage(place: Place) {
  const screen = await screenAt(place);
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.collection.title, href: `/collections/${shown.collection.slug}` },
    { label: shown.title },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <DeskScreen
        key={shown.pageId}
        initial={shown}
        person={{ id: actor.id, keepsTime: actor.keepsTime, keys: actor.keys }}
        can={permissions(actor, shown.collection.id)}
      />
    </Shell>
  );
}
