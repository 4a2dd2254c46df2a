import { fixAllCertain, noteDay, THE_SYSTEM, trend } from './index.ts';
import { bench, INES } from './testing/bench.ts';

const b = bench();
const { services } = b;

test('each day’s last word is kept, and today is as it is now', async () => {
  const page = await b.page('<h2></h2><p>The hive is open. <img src="hive.png"></p>');
  const shown = async () => {
    const view = await trend(services, INES, { collection: b.SLUG });
    if (!view.ok) throw new Error(view.problem.what);
    return view.value.days;
  };
  b.onDay('2026-05-01');
  await noteDay(services, THE_SYSTEM);
  await noteDay(services, THE_SYSTEM);
  b.onDay('2026-05-02');
  const before = await shown();
  expect(before.map(({ day }) => day)).toEqual(['2026-05-01', '2026-05-02']);
  expect(before[0]).toEqual({ ...before[1], day: '2026-05-01' });
  await fixAllCertain(services, INES, b.at(page));
  const after = await shown();
  expect(after[0]).toEqual(before[0]);
  expect(after[1]!.must + after[1]!.should).toBeLessThan(before[1]!.must + before[1]!.should);
  expect(await noteDay(services, INES)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  b.onDay(null);
});
