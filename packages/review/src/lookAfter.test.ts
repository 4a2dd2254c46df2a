import { bringBack, clearOut, desk, ledger, lookAfter, removable, shelf, signOff, takenOutOf, takeOut, THE_SYSTEM } from './index.ts';
import { bench, INES, RUTH, UMA } from './testing/bench.ts';

const { services, SLUG, page, at, look, onDay } = bench();

const onShelf = async () => {
  const rows = await shelf(services, INES);
  return rows.ok ? rows.value.find(({ slug }) => slug === SLUG) : undefined;
};

test('a collection is called otherwise and put away, and its address stays', async () => {
  await page('<h2>Wax</h2><p>x</p>');
  expect(await lookAfter(services, INES, { collection: SLUG, title: '  Lessons ', putAway: true })).toMatchObject({ ok: true });
  expect(await onShelf()).toMatchObject({ title: 'Lessons', putAway: true, pages: 1 });
  expect(await lookAfter(services, INES, { collection: SLUG, title: ' ' })).toMatchObject({ ok: false, problem: { code: 'bad-page' } });
  expect(await lookAfter(services, UMA, { collection: SLUG, putAway: false })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
  await lookAfter(services, INES, { collection: SLUG, putAway: false });
  expect(await onShelf()).toMatchObject({ title: 'Lessons', putAway: false });
});

test('what goes is told, one that is taken out is nowhere, and comes back as it was', async () => {
  const view = await page('<h2>Honey</h2><p>x</p>', 'Honey');
  await signOff(services, RUTH, at(view));
  expect(await removable(services, INES, { collection: SLUG })).toMatchObject({
    ok: true,
    value: { pages: 2, revisions: 2, rulings: 0, exceptions: 0, signedOff: 1 },
  });
  expect(await takeOut(services, INES, { collection: SLUG })).toMatchObject({ ok: true });
  expect(await onShelf()).toBeUndefined();
  expect(await ledger(services, INES, { collection: SLUG })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await desk(services, INES, { collection: SLUG, page: 'honey' })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await takeOut(services, INES, { collection: SLUG })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect((await takenOutOf(services, INES)).find(({ slug }) => slug === SLUG)).toMatchObject({ title: 'Lessons', by: 'Ines Calder' });
  expect(await bringBack(services, INES, { collection: SLUG })).toMatchObject({ ok: true });
  expect((await look('honey')).release).toBe('signed off');
});

test('nobody having brought it back in thirty days, it is gone for good', async () => {
  onDay('2026-01-02');
  await takeOut(services, INES, { collection: SLUG });
  onDay('2026-01-31');
  await clearOut(services, THE_SYSTEM);
  expect((await takenOutOf(services, INES)).map(({ slug }) => slug)).toContain(SLUG);
  onDay('2026-02-03');
  expect(await clearOut(services, INES)).toMatchObject({ ok: false });
  await clearOut(services, THE_SYSTEM);
  expect((await takenOutOf(services, INES)).map(({ slug }) => slug)).not.toContain(SLUG);
  onDay(null);
});
