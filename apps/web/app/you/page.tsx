import { hasCalendar, mySessions, myWaysIn } from '@inkwell/review';
import type { Metadata } from 'next';
import { YouScreen } from '@/features/people/YouScreen';
import { currentSession } from '@/server/actor';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'You' };

/** One's own name and parts, and where one is signed in. */
export default async function YouPage() {
  const screen = await screenWithPeople(async (services, actor) => {
    const sessions = await mySessions(services, actor);
    const calendar = await hasCalendar(services, actor);
    const ways = await myWaysIn(services, actor);
    if (!sessions.ok) return sessions;
    if (!ways.ok) return ways;
    if (!calendar.ok) return calendar;
    return { ok: true as const, value: { sessions: sessions.value, calendar: calendar.value.since, ways: ways.value } };
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const sessions = shown.sessions.map((one) => ({ ...one, since: one.since.toISOString(), until: one.until.toISOString() }));
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'You' }]} actor={actor} people={people}>
      <YouScreen
        name={actor.name}
        email={actor.email}
        parts={actor.memberships}
        sessions={sessions}
        calendar={shown.calendar}
        ways={shown.ways}
        here={(await currentSession())?.id ?? null}
      />
    </Shell>
  );
}
