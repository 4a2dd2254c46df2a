import type { Metadata } from 'next';
import { packagesOf } from '@inkwell/review';
import { SendScreen } from '@/features/packages/SendScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Bring in a collection' };

export default async function SendPage() {
  const screen = await screenWithPeople(async (services, actor) => ({ ok: true, value: await packagesOf(services, actor) }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'Bring in a collection' }]} actor={actor} people={people}>
      <SendScreen waiting={shown} />
    </Shell>
  );
}
