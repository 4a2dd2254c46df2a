import { setContentType, spread, type Spread } from './index.ts';
import { bench, INES } from './testing/bench.ts';
import { packageBench } from './testing/packages.ts';

const b = bench();
const { services } = b;
const packages = packageBench(b);

const lesson = (title: string, body: string) =>
  `<html lang="en"><head><title>${title}</title></head><body><main><h1>${title}</h1>${body}</main></body></html>`;
const alike = (nth: number) =>
  lesson(`Week ${nth}`, '<p>What you will do.</p><h2>What you need</h2><p>A veil.</p><h2>What you learnt</h2><p>Much.</p>');
const COURSE = [
  ...[1, 2, 3, 4, 5].map((nth) => ({ name: `week-${nth}.html`, data: alike(nth) })),
  { name: 'week-6.html', data: lesson('Week 6', '<h3>At once</h3><p>Begin.</p>') },
];

async function shown(collection: string, type?: string): Promise<Spread> {
  const view = await spread(services, INES, { collection, type });
  if (!view.ok) throw new Error(view.problem.what);
  return view.value;
}

test('what most pages of a content type have in common is told, and the page that differs with what is different', async () => {
  const slug = await packages.arrived(await packages.sent('alike.zip', COURSE));
  const { types, type, differing } = await shown(slug);
  expect(type).toBe('article');
  expect(types[0]!.traits.find(({ trait }) => trait === 'lastSection')).toMatchObject({ value: 'what you learnt', many: 5, of: 6 });
  expect(differing).toEqual([
    {
      slug: 'week-6',
      title: 'Week 6',
      differs: expect.arrayContaining([
        { trait: 'opens', value: 'a heading' },
        { trait: 'introduction', value: 'no' },
        { trait: 'levels', value: '1 3' },
        { trait: 'lastSection', value: 'at once' },
      ]) as unknown,
    },
  ]);
});

test('three pages are no evidence, and types are told apart', async () => {
  const slug = await packages.arrived(await packages.sent('types.zip', COURSE));
  await setContentType(services, INES, { collection: slug, pages: ['week-4', 'week-5', 'week-6'], contentType: 'assignment' });
  expect((await shown(slug)).types).toEqual([]);
  await setContentType(services, INES, { collection: slug, pages: ['week-6'], contentType: 'lesson' });
  await setContentType(services, INES, { collection: slug, pages: ['week-5', 'week-4'], contentType: 'article' });
  const { types, differing } = await shown(slug);
  expect(types.map(({ type }) => type)).toEqual(['article']);
  expect(differing).toEqual([]);
});
