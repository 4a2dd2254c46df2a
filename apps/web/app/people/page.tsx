import { shelf, showKeeping, showPeople } from '@inkwell/review';
import type { Metadata } from 'next';
import { PeopleScreen } from '@/features/people/PeopleScreen';
import type { PersonRow } from '@/features/people/words';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'People' };

/** Whoever has a part here, for whoever looks after people. */
export default async function PeoplePage() {
  const screen = await screenWithPeople(async (services, actor) => {
    const found = await showPeople(services, actor, {});
    if (!found.ok) return found;
    const collections = await shelf(services, actor);
    const keeping = await showKeeping(services, actor);
    if (!collections.ok) return collections;
    return keeping.ok ? { ok: true as const, value: { ...found.value, collections: collections.value, keeping: keeping.value } } : keeping;
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const rows = asSent<PersonRow[]>(shown.people);
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'People' }]} actor={actor} people={people}>
      <PeopleScreen
        people={rows}
        next={shown.next}
        collections={shown.collections.map(({ slug, title }) => ({ slug, title }))}
        keeping={shown.keeping}
      />
    </Shell>
  );
}
