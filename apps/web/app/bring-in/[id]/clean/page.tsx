import type { Metadata } from 'next';
import { door } from '@inkwell/review';
import { DoorScreen } from '@/features/door/DoorScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Pasted markup' };

interface Place {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ page?: string | string[] }>;
}

const numberFrom = (written: unknown) => {
  const number = Number(written);
  return Number.isSafeInteger(number) && number > 0 ? number : 0;
};

export default async function DoorPage({ params, searchParams }: Place) {
  const id = numberFrom((await params).id);
  const at = numberFrom((await searchParams).page);
  const screen = await screenWithPeople((services, actor) => door(services, actor, { id, at }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: 'Bring in a collection', href: '/bring-in' },
    { label: shown.title || shown.name, href: `/bring-in/${shown.id}` },
    { label: 'Pasted markup' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <DoorScreen key={shown.page?.position ?? 0} view={shown} />
    </Shell>
  );
}
