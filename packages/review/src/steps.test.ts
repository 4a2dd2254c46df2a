import { lookAt, saveSource, walk } from './index.ts';
import { bench, INES, RUTH, SAM } from './testing/bench.ts';

const { services, SLUG, page, look, at } = bench();

async function walked() {
  const shown = await walk(services, INES, { collection: SLUG });
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value;
}
const stepIn = async (id: string) => (await walked()).steps.find((step) => step.id === id)!;

test('a step is covered by whoever looked, found or not, until the page’s text is another', async () => {
  const first = await page('<h2></h2><p>Wax <a href="x.html">here</a>.</p>', 'First');
  const second = await page('<h2>Wax</h2><p>Text.</p>', 'Second');
  expect(await stepIn('outline')).toMatchObject({ name: 'Title and outline', looked: 0, next: 'first' });
  expect((await stepIn('outline')).open).toBeGreaterThan(0);
  for (const view of [first, second])
    expect(await lookAt(services, INES, { pageId: view.pageId, step: 'outline', looked: true })).toMatchObject({ ok: true });
  expect(await stepIn('outline')).toMatchObject({ looked: 2, next: null });
  // Another person has their own way to go.
  const other = await walk(services, SAM, { collection: SLUG });
  expect(other.ok && other.value.steps[0]).toMatchObject({ looked: 2, next: 'first' });
  expect((await look('first')).looked).toEqual([expect.objectContaining({ step: 'outline', by: 'Ines Calder', revision: 1 })]);

  const now = await look('first');
  await saveSource(services, INES, { ...at(now), html: now.html.replace('Wax', 'Clean wax') });
  expect(await stepIn('outline')).toMatchObject({ looked: 1, next: 'first' });
  const row = (await walked()).shown.find(({ slug }) => slug === 'first')!;
  expect(row.steps.outline.looked).toEqual([expect.objectContaining({ revision: 1 })]);

  await lookAt(services, INES, { pageId: second.pageId, step: 'outline', looked: false });
  expect(await stepIn('outline')).toMatchObject({ looked: 0 });
  expect(await lookAt(services, RUTH, { pageId: second.pageId, step: 'lists', looked: true })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
});
