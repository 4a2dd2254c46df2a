import { lookup } from '@inkwell/core';
import type { Metadata } from 'next';
import { attached } from '@inkwell/review';
import { AttachedScreen } from '@/features/attached/AttachedScreen';
import { choiceFrom } from '@/features/attached/choice';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Attached files' };

interface Place {
  params: Promise<{ collection: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function AttachedPage({ params, searchParams }: Place) {
  const collection = decodeURIComponent((await params).collection);
  const asked = await searchParams;
  const get = (name: string) => {
    const value = lookup(asked, name);
    return typeof value === 'string' ? value : null;
  };
  const screen = await screenWithPeople((services, actor) => attached(services, actor, { collection, choice: choiceFrom({ get }) }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.collection.title, href: `/collections/${shown.collection.slug}` },
    { label: 'Attached files' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <AttachedScreen shown={shown} people={people} />
    </Shell>
  );
}
