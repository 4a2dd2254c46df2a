import { search } from '@inkwell/review';
import type { Metadata } from 'next';
import { SearchScreen } from '@/features/search/SearchScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Search' };

interface Place {
  searchParams: Promise<{ words?: string | string[] }>;
}

/** Pages, open findings and people, by words. */
export default async function SearchPage({ searchParams }: Place) {
  const { words } = await searchParams;
  const wish = { words: typeof words === 'string' ? words : '' };
  const screen = await screenWithPeople((services, actor) => search(services, actor, wish));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'Search' }]} actor={actor} people={people}>
      <SearchScreen key={shown.words} shown={shown} />
    </Shell>
  );
}
