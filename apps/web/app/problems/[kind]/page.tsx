import type { Metadata } from 'next';
import { Link } from '@/ui/Link';
import { notFound } from 'next/navigation';
import { Door } from '@/features/people/Door';
import { KINDS, type Kind } from '@/server/v1/problems';

export const metadata: Metadata = { title: 'A problem of the API' };

/** What a kind of problem means, for whoever follows its type. */
export default async function ProblemPage({ params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  if (!Object.hasOwn(KINDS, kind)) notFound();
  const { title, status, about } = KINDS[kind as Kind];
  return (
    <Door title={title}>
      <p>{about.replaceAll('`', '')}</p>
      <p>{`It is told with the status ${status}.`}</p>
      <p>
        <Link href="/calls">What programs may ask</Link>
      </p>
      <p>
        <Link href="/">To the shelf</Link>
      </p>
    </Door>
  );
}
