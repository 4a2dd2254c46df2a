import { PEOPLE_AT_ONCE, showMessages } from '@inkwell/review';
import type { Metadata } from 'next';
import { OutboxScreen, type MessageRow } from '@/features/people/OutboxScreen';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Messages' };

/** Every message that went out, or would. */
export default async function OutboxPage() {
  const screen = await screenWithPeople((services, actor) => showMessages(services, actor, { before: null }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'People', href: '/people' }, { label: 'Messages' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <OutboxScreen messages={asSent<MessageRow[]>(shown)} most={PEOPLE_AT_ONCE} hasServer={Boolean(process.env.INKWELL_SMTP)} />
    </Shell>
  );
}
