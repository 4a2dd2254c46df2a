import type { Metadata } from 'next';
import { ledger } from '@inkwell/review';
import { BringInScreen } from '@/features/bringIn/BringInScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'Bring in a page' };

export default async function BringInPage({ params }: { params: Promise<{ collection: string }> }) {
  const { collection } = await params;
  const screen = await screenWithPeople((services, actor) => ledger(services, actor, { collection: decodeURIComponent(collection) }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell
      crumbs={[{ label: 'Shelf', href: '/' }, { label: shown.title, href: `/collections/${shown.slug}` }, { label: 'Bring in a page' }]}
      actor={actor}
      people={people}
    >
      <BringInScreen collection={{ slug: shown.slug, title: shown.title }} />
    </Shell>
  );
}
