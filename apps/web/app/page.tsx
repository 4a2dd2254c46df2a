import type { Metadata } from 'next';
import { may, progress, shelf, takenOutOf } from '@inkwell/review';
import { ShelfScreen } from '@/features/shelf/ShelfScreen';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: { absolute: 'Shelf · Inkwell Check' } };

export default async function ShelfPage() {
  const screen = await screenWithPeople(async (services, actor) => {
    const rows = await shelf(services, actor);
    return rows.ok
      ? { ok: true, value: { rows: rows.value, takenOut: await takenOutOf(services, actor), work: await progress(services, actor) } }
      : rows;
  });
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf' }]} actor={actor} people={people}>
      <ShelfScreen rows={shown.rows} takenOut={shown.takenOut} work={shown.work} mayCancel={may(actor, 'set the standard', 'house')} />
    </Shell>
  );
}
