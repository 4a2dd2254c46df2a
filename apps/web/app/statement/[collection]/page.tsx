import { publicStatement } from '@inkwell/review';
import type { Metadata } from 'next';
import { StatementScreen } from '@/features/report/StatementScreen';
import { openScreen } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';

export const metadata: Metadata = { title: 'Accessibility statement' };

/** What the public is told of a collection, and a form through which readers tell of barriers. Nobody need be signed in. */
export default async function StatementPage({ params }: { params: Promise<{ collection: string }> }) {
  const collection = decodeURIComponent((await params).collection);
  const screen = await openScreen((services) => publicStatement(services, { collection }));
  return 'problem' in screen ? <ProblemScreen problem={screen.problem} /> : <StatementScreen shown={screen.shown} />;
}
