import type { Metadata } from 'next';
import { showPackage } from '@inkwell/review';
import { PackageScreen } from '@/features/packages/PackageScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: 'What the package holds' };

export default async function PackagePage({ params }: { params: Promise<{ id: string }> }) {
  const id = Number((await params).id);
  const screen = await screenWithPeople((services, actor) =>
    showPackage(services, actor, { id: Number.isSafeInteger(id) ? id : 0, after: 0 }),
  );
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell
      crumbs={[{ label: 'Shelf', href: '/' }, { label: 'Bring in a collection', href: '/bring-in' }, { label: shown.name }]}
      actor={actor}
      people={people}
    >
      <PackageScreen atFirst={shown} />
    </Shell>
  );
}
