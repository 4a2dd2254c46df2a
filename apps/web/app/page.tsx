import type { Metadata } from 'next';
import { shelf } from '@inkwell/review';
import { ShelfScreen } from '@/features/shelf/ShelfScreen';
import { currentActor, everyone } from '@/server/actor';
import { database } from '@/server/database';
import { screenData } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

export const metadata: Metadata = { title: { absolute: 'Shelf · Inkwell Check' } };

export default async function ShelfPage() {
  const shown = await screenData(async () => ({ ok: true, value: { rows: await shelf(await database()), actor: await currentActor(), people: await everyone() } }));
  if ('problem' in shown) return <ProblemScreen problem={shown.problem} />;
  const { rows, actor, people } = shown.data;
  return (
    <Shell crumbs={[{ label: 'Shelf' }]} actor={actor} people={people}>
      <ShelfScreen rows={rows} />
    </Shell>
  );
}
