import { search, type Actor } from './index.ts';
import { bench, INES } from './testing/bench.ts';

const { services, SLUG, page, collection } = bench();
const here = (): Actor => ({ ...INES, memberships: [{ collection: collection(), role: 'reviewer' }] });

async function found(words: string, actor: Actor = here()) {
  const told = await search(services, actor, { words });
  if (!told.ok) throw new Error(told.problem.what);
  return told.value;
}

test('pages are found by title, those that begin with the words first; signs of patterns are signs', async () => {
  await page('<h2>Wax</h2><p>Text</p>', 'Of 100% wax');
  await page('<h2>Wax</h2><p>Text</p>', 'Wax and its uses');
  expect((await found('wax')).pages.map(({ title }) => title)).toEqual(['Wax and its uses', 'Of 100% wax']);
  expect((await found('100%')).pages.map(({ title }) => title)).toEqual(['Of 100% wax']);
  expect((await found('%')).pages).toHaveLength(1);
  expect((await found('   ')).pages).toEqual([]);
});

test('findings are found by what they are called, with where they stand; nothing is told of what one may not see', async () => {
  await page('<h2>Wax</h2><p><img src="hive.png"></p>', 'Images');
  const { findings } = await found('alternative text');
  expect(findings).toMatchObject([{ title: 'Image with no alternative text', collection: SLUG, many: 1, pages: 1, slug: 'images' }]);
  const elsewhere: Actor = { ...INES, memberships: [{ collection: collection() + 1_000_000, role: 'reviewer' }] };
  expect(await found('wax', elsewhere)).toEqual({ words: 'wax', pages: [], findings: [], people: [] });
  expect((await found('wax', { ...INES, memberships: [] })).pages).toEqual([]);
});
