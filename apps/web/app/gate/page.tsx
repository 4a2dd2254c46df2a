import { GATE_GROUPS, may, showGate, showHosts } from '@inkwell/review';
import type { Metadata } from 'next';
import { GateScreen } from '@/features/gate/GateScreen';
import { asSent, screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell, type Crumb } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Gate' };

interface Place {
  searchParams: Promise<{ group?: string; collection?: string }>;
}

/** What goes out, what holds the rest, and who answers for it. */
export default async function GatePage({ searchParams }: Place) {
  const { group: asked, collection = null } = await searchParams;
  const group = GATE_GROUPS.find((one) => one === asked) ?? 'to sign';
  const screen = await screenWithPeople(async (services, actor) => {
    const shown = await showGate(services, actor, { group, collection, after: null });
    if (!shown.ok) return shown;
    const hosts = may(actor, 'publish', 'house') ? await showHosts(services, actor) : null;
    return { ok: true, value: { shown: shown.value, hosts: hosts?.ok ? hosts.value : [] } };
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const within = shown.shown.collection;
  const crumbs: Crumb[] = [
    { label: 'Shelf', href: '/' },
    ...(within ? [{ label: within.title, href: `/collections/${within.slug}` }] : []),
    { label: 'Gate' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <GateScreen key={`${group} ${collection}`} shown={asSent(shown.shown)} hosts={shown.hosts} />
    </Shell>
  );
}
