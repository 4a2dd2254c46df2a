import type { Metadata } from 'next';
import { CallsScreen } from '@/features/api/CallsScreen';
import { ownAddress } from '@/server/auth';
import { screenWithPeople } from '@/server/screen';
import { CALLS } from '@/server/v1/calls';
import type { Schema } from '@/features/api/fields';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'The API' };

/** What programs may ask, from the table that it is served from. */
export default async function CallsPage() {
  const screen = await screenWithPeople(() => Promise.resolve({ ok: true as const, value: null }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { actor, people } = screen.data;
  const calls = CALLS.map(({ method, path, summary, reach, body, filters, ifMatch }) => ({
    ...{ method, path, summary, reach, body: (body ?? null) as Schema | null },
    ...{ filters: Object.keys(filters ?? {}), ifMatch: ifMatch ?? false },
  }));
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'The API' }]} actor={actor} people={people}>
      <CallsScreen calls={calls} site={ownAddress()} />
    </Shell>
  );
}
