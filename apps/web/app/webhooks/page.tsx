import { deliveries, webhooks } from '@inkwell/review';
import type { Metadata } from 'next';
import { WebhooksScreen } from '@/features/api/WebhooksScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Webhooks' };

interface Place {
  searchParams: Promise<{ of?: string; before?: string }>;
}

/** Messages shown at once. */
const SHOWN = 50;

/** Addresses that are told of events, and what was sent to one of them. */
export default async function WebhooksPage({ searchParams }: Place) {
  const { of, before } = await searchParams;
  const screen = await screenWithPeople(async (services, actor) => {
    const hooks = await webhooks(services, actor);
    if (!hooks.ok) return hooks;
    const id = hooks.value.find((hook) => String(hook.id) === of)?.id;
    const from = /^\d{1,18}$/.test(before ?? '') ? before! : null;
    const sent = id === undefined ? null : await deliveries(services, actor, { id, before: from, limit: SHOWN });
    return { ok: true, value: { hooks: hooks.value, of: id ?? null, sent: sent?.ok ? sent.value : null } };
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [{ label: 'Shelf', href: '/' }, { label: 'People', href: '/people' }, { label: 'Webhooks' }];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <WebhooksScreen {...shown} />
    </Shell>
  );
}
