import { may, showHosts } from '@inkwell/review';
import type { Metadata } from 'next';
import { HostsScreen } from '@/features/gate/HostsScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Hosts' };

/** The hosts pages are published on. */
export default async function HostsPage() {
  const screen = await screenWithPeople((services, actor) => showHosts(services, actor));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'Gate', href: '/gate' }, { label: 'Hosts' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <HostsScreen hosts={shown} mayAdd={may(actor, 'look after people', 'house')} mayBring={may(actor, 'bring in', 'house')} />
    </Shell>
  );
}
