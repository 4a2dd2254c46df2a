import { noteFor } from '@inkwell/review';
import type { Metadata } from 'next';
import { NoteScreen } from '@/features/learning/NoteScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Note' };

interface Place {
  searchParams: Promise<{ person?: string | string[] }>;
}

/** One page about the slips somebody makes most. */
export default async function NotePage({ searchParams }: Place) {
  const { person } = await searchParams;
  const wish = { person: typeof person === 'string' ? person : null };
  const screen = await screenWithPeople((services, actor) => noteFor(services, actor, wish));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Docket', href: '/docket' }, { label: 'Note' }]} actor={actor} people={people}>
      <NoteScreen shown={shown} />
    </Shell>
  );
}
