import { handedOut } from '@inkwell/review';
import type { Metadata } from 'next';
import { HandedScreen } from '@/features/docket/HandedScreen';
import { handedFrom } from '@/features/docket/handed';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Handed out' };

interface Place {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

/** All that is handed out, for whoever hands work out. */
export default async function HandedPage({ searchParams }: Place) {
  const asked = new URLSearchParams(
    Object.entries(await searchParams).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
  );
  const { choice, asBoard } = handedFrom(asked);
  const screen = await screenWithPeople((services, actor) =>
    handedOut(services, actor, { ...choice, as: asBoard ? 'board' : 'table', skip: 0 }),
  );
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'Docket', href: '/docket' }, { label: 'Handed out' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <HandedScreen key={`${JSON.stringify(choice)} ${asBoard}`} shown={shown} asBoard={asBoard} people={people} />
    </Shell>
  );
}
