import { fixAllCertain, ledger, setContentType, strokePagesOver, type Ledger, type LedgerChoice } from './index.ts';
import { bench, INES, RUTH, SAM } from './testing/bench.ts';
import { document, packageBench } from './testing/packages.ts';

const b = bench();
const { services } = b;
const packages = packageBench(b);

const SITE = [
  { name: 'index.html', data: document('Visit', '') },
  { name: 'walks/short.html', data: document('A short walk', '<p><a name="top"></a><img src="x.png"></p>') },
  { name: 'walks/far/long.html', data: document('A long walk', '<p><b></b>To the sea.</p><h4>Far</h4>') },
  { name: 'boats/harrier.html', data: document('Harrier', '') },
];

async function shown(collection: string, choice: Partial<LedgerChoice> = {}): Promise<Ledger> {
  const view = await ledger(services, RUTH, { collection, choice: { order: 'position', ...choice } });
  if (!view.ok) throw new Error(view.problem.what);
  return view.value;
}

const titles = ({ pages }: Ledger) => pages.map(({ title }) => title).sort();

test('a ledger is nested by its parts, and narrowed by part, content type and who changed a page last', async () => {
  const slug = await packages.arrived(await packages.sent('parts.zip', SITE));
  await setContentType(services, INES, { collection: slug, pages: ['harrier'], contentType: 'announcement' });
  const long = await packages.deskOn(slug, 'a-long-walk');
  await fixAllCertain(services, SAM, { pageId: long.pageId, version: long.version });
  const all = await shown(slug);
  expect(all.narrowing!.parts.map(({ part, pages }) => [part, pages])).toEqual(
    expect.arrayContaining([
      ['walks', 1],
      ['walks / far', 1],
      ['boats', 1],
    ]),
  );
  expect(all.narrowing!.contentTypes).toEqual([
    { type: 'article', pages: 3 },
    { type: 'announcement', pages: 1 },
  ]);
  expect(all.pages.find(({ slug: own }) => own === 'a-long-walk')!.part).toBe('walks / far');
  expect(titles(await shown(slug, { part: 'walks' }))).toEqual(['A long walk', 'A short walk']);
  expect(titles(await shown(slug, { part: 'walk' }))).toEqual([]);
  expect((await shown(slug, { order: 'part' })).pages.map(({ part }) => part)).toEqual(['', 'boats', 'walks', 'walks / far']);
  expect(titles(await shown(slug, { contentType: 'announcement' }))).toEqual(['Harrier']);
  const changed = (await packages.deskOn(slug, 'a-long-walk')).revision.number > 1;
  expect(titles(await shown(slug, { by: SAM.id }))).toEqual(changed ? ['A long walk'] : []);
});

test('what is done to a whole choice reaches all its pages, shown or not', async () => {
  const slug = await packages.arrived(await packages.sent('choice.zip', SITE));
  const retyped = await setContentType(services, INES, { collection: slug, pages: { part: 'walks' }, contentType: 'lesson' });
  expect(retyped).toEqual({ ok: true, value: { pages: 2 } });
  expect(titles(await shown(slug, { contentType: 'lesson' }))).toEqual(['A long walk', 'A short walk']);
  const stroke = await strokePagesOver(services, INES, { collection: slug, act: 'certain', pages: { contentType: 'article' } });
  expect(stroke).toMatchObject({ ok: true, value: { pages: 2 } });
  const none = await strokePagesOver(services, INES, { collection: slug, act: 'certain', pages: { words: 'no such title' } });
  expect(none).toMatchObject({ ok: false, problem: { code: 'not-found' } });
});
