import { answersGiven, questions, type ShowQuestions } from '@inkwell/review';
import type { Metadata } from 'next';
import { AnsweredScreen } from '@/features/questions/AnsweredScreen';
import { QuestionsScreen } from '@/features/questions/QuestionsScreen';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Questions' };

interface Place {
  searchParams: Promise<{ show?: string | string[]; kind?: string | string[]; first?: string | string[] }>;
}

/** What waits for a person's ruling, one question at a time; or what was answered. */
export default async function QuestionsPage({ searchParams }: Place) {
  const { show, kind, first: named } = await searchParams;
  const first = typeof named === 'string' && /^[1-9]\d{0,8}$/.test(named) ? Number(named) : null;
  const rule = typeof kind === 'string' ? kind.slice(0, 80) : null;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'Questions' }];
  if (show === 'answered') {
    const screen = await screenWithPeople((services, actor) => answersGiven(services, actor, { before: null, rule }));
    if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
    return (
      <Shell crumbs={crumbs} actor={screen.data.actor} people={screen.data.people}>
        <AnsweredScreen shown={asSent(screen.data.shown)} rule={rule} />
      </Shell>
    );
  }
  const screen = await screenWithPeople((services, actor) => {
    const isSpecialist = actor.memberships.length > 0 && actor.memberships.every(({ role }) => role === 'specialist');
    const waiting: ShowQuestions['waiting'] = show === 'specialist' || (show === undefined && isSpecialist) ? 'specialist' : 'anybody';
    return questions(services, actor, { waiting, rule, first, skip: [] });
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <QuestionsScreen key={`${shown.waiting} ${rule ?? ''} ${actor.id}`} shown={asSent(shown)} rule={rule} keys={actor.keys} />
    </Shell>
  );
}
