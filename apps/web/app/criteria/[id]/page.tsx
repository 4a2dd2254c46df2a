import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { criterionOf, RULES } from '@inkwell/core';
import { currentActor, everyone } from '@/server/actor';
import { screenData } from '@/server/screen';
import { Main, Shell } from '@/ui/Shell';

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
  const shown = await screenData(async () => ({ ok: true, value: { actor: await currentActor(), people: await everyone() } }));
  const { actor, people } = 'data' in shown ? shown.data : { actor: { id: '' }, people: [] };
  const rules = RULES.filter((rule) => rule.criteria.includes(criterion.id));
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: `Criterion ${criterion.id}` }]} actor={actor} people={people}>
      <Main id="content">
        <h1>{`${criterion.id} ${criterion.title}`}</h1>
        <p>{`WCAG level ${criterion.level}, since version ${criterion.since}${criterion.obsoleteIn ? `, dropped in ${criterion.obsoleteIn}` : ''}`}</p>
        <p>{criterion.asks}</p>
        <h2>What is examined for it here</h2>
        {rules.length > 0 ? (
          <dl>
            {rules.map((rule) => (
              <div key={rule.id}>
                <dt><strong>{rule.title}</strong></dt>
                <dd>{`${rule.why} ${rule.fix}`}</dd>
              </div>
            ))}
          </dl>
        ) : <p>No rule of this version examines it yet; a person has to.</p>}
      </Main>
    </Shell>
  );
}
