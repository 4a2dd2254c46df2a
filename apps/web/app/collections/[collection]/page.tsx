import { cache } from 'react';
import type { Metadata } from 'next';
import { ledger, progress } from '@inkwell/review';
import { choiceFrom } from '@/features/ledger/choice';
import { LedgerScreen } from '@/features/ledger/LedgerScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

/** Read once, for the title and for the screen. */
const screenOf = cache((collection: string, query: string) =>
  screenWithPeople(async (services, actor) => {
    const book = await ledger(services, actor, { collection, choice: choiceFrom(new URLSearchParams(query)) });
    return book.ok ? { ok: true, value: { book: book.value, work: await progress(services, actor) } } : book;
  }),
);

async function screenAt({ params, searchParams }: Place) {
  const asked = Object.entries(await searchParams).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : []));
  return screenOf(decodeURIComponent((await params).collection), new URLSearchParams(asked).toString());
}

export async function generateMetadata(place: Place): Promise<Metadata> {
  const screen = await screenAt(place);
  return { title: 'data' in screen ? screen.data.shown.book.title : 'Ledger' };
}

export default async function LedgerPage(place: Place) {
  const screen = await screenAt(place);
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: shown.book.title }]} actor={actor} people={people}>
      <LedgerScreen ledger={shown.book} work={shown.work} />
    </Shell>
  );
}
