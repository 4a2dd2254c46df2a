import type { Metadata } from 'next';
import { allowedHosts, ledger, packagesOf } from '@inkwell/review';
import { SendScreen, type SendScreenProps } from '@/features/packages/SendScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Bring in a collection' };

interface Place {
  searchParams: Promise<{ newer?: string | string[] }>;
}

export default async function SendPage({ searchParams }: Place) {
  const { newer } = await searchParams;
  const screen = await screenWithPeople(async (services, actor) => {
    const waiting = await packagesOf(services, actor);
    const shown: SendScreenProps = { waiting, newerOf: null, hosts: allowedHosts() };
    if (typeof newer !== 'string') return { ok: true, value: shown };
    const book = await ledger(services, actor, { collection: newer });
    return book.ok ? { ok: true, value: { ...shown, newerOf: { slug: book.value.slug, title: book.value.title } } } : book;
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    ...(shown.newerOf
      ? [{ label: shown.newerOf.title, href: `/collections/${shown.newerOf.slug}` }, { label: 'A newer version' }]
      : [{ label: 'Bring in a collection' }]),
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <SendScreen {...shown} />
    </Shell>
  );
}
