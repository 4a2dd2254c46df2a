import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { criterionOf, RULES } from '@inkwell/core';
import { CriterionScreen } from '@/features/criterion/CriterionScreen';
import { screenWithPeople } from '@/server/screen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Place): Promise<Metadata> {
  const criterion = criterionOf((await params).id);
  return { title: criterion ? `${criterion.id} ${criterion.title}` : 'Criterion' };
}

/** One success criterion in our words, with the rules that look after it. It ships with the application: no network is needed. */
export default async function CriterionPage({ params }: Place) {
  const criterion = criterionOf((await params).id);
  if (!criterion) notFound();
  // The criterion itself ships with the application: it shows even while the database is away.
  const screen = await screenWithPeople(() => Promise.resolve({ ok: true, value: null }));
  const { actor, people } = 'data' in screen ? screen.data : { actor: { id: '' }, people: [] };
  const rules = RULES.filter((rule) => rule.criteria.includes(criterion.id)).map(({ id, title, why, fix, weight }) => ({
    id,
    title,
    why,
    fix,
    weight,
  }));
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: `Criterion ${criterion.id}` }]} actor={actor} people={people}>
      <CriterionScreen criterion={criterion} rules={rules} />
    </Shell>
  );
}
