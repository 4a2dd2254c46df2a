import { publicStatement } from '@inkwell/review';
import { isAway } from '@inkwell/store';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { StatementScreen } from '@/features/report/StatementScreen';
import { AWAY } from '@/server/answer';
import { services } from '@/server/services';
import { ProblemScreen } from '@/ui/ProblemScreen';

export const metadata: Metadata = { title: 'Accessibility statement' };

/** What the public is told of a collection, and a form through which readers tell of barriers. Nobody need be signed in. */
export default async function StatementPage({ params }: { params: Promise<{ collection: string }> }) {
  const collection = decodeURIComponent((await params).collection);
  const told = await statementOf(collection);
  if (told === 'away') return <ProblemScreen problem={AWAY} />;
  if (!told.ok) notFound();
  return <StatementScreen shown={told.value} />;
}

async function statementOf(collection: string) {
  try {
    return await publicStatement(await services(), { collection });
  } catch (error) {
    if (isAway(error)) return 'away' as const;
    throw error;
  }
}
