import { bringIn, chooseCleaning, door, readPackage, tryCleaning, type DoorView } from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';
import { document, packageBench } from '../testing/packages.ts';

const b = bench();
const { services } = b;
const packages = packageBench(b);

const PLAIN = document(
  'Locks',
  '<p class="MsoNormal"><span style="font-family:Arial">The gates are opened by hand, and shut again behind the boat.<o:p></o:p></span></p>',
);
const ASKING = document(
  'Walks',
  `<p class="MsoNormal"><b><span style="font-size:14.0pt">Along the towpath</span></b></p>
<p class="MsoNormal">The path is level for three miles and wide enough for two, with a bench at every lock.</p>`,
);
const SITE = [
  { name: 'index.html', data: document('Visit', '') },
  { name: 'locks.html', data: PLAIN },
  { name: 'walks.html', data: ASKING },
];

async function waiting(name: string): Promise<number> {
  const id = await packages.sent(name, SITE);
  await readPackage(services, { id, last: false });
  return id;
}

async function looked(id: number, at = 0): Promise<DoorView> {
  const view = await door(services, INES, { id, at });
  if (!view.ok) throw new Error(view.problem.what);
  return view.value;
}

test('pages with pasted markup are told, one as it came and as it would be cleaned, with what is asked first', async () => {
  const id = await waiting('told.zip');
  expect((await packages.shown(id)).pasted).toEqual({ pages: 2, toClean: 0, toLeave: 0 });
  const first = await looked(id);
  expect(first.pages.map(({ title, choice }) => [title, choice])).toEqual([
    ['Locks', null],
    ['Walks', null],
  ]);
  expect(first.page).toMatchObject({ html: PLAIN, questions: [], cleaned: { ok: true } });
  const second = (await looked(id, first.pages[1]!.position)).page!;
  expect(second.questions).toMatchObject([{ about: 'heading', proposed: '2' }]);
  const { key } = second.questions[0]!;
  const asText = await tryCleaning(services, INES, { id, position: second.position, answers: { [key]: 'text' } });
  expect(asText).toMatchObject({
    ok: true,
    value: { ok: true, html: expect.stringContaining('<p><b>Along the towpath</b></p>') as string },
  });
  expect(await tryCleaning(services, INES, { id, position: second.position, answers: {} })).toMatchObject({ value: { ok: false } });
  expect(await door(services, RUTH, { id, at: 0 })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
});

test('what was said is done as a page comes in: the text as it came is revision 1, the cleaned one revision 2', async () => {
  const id = await waiting('cleaned.zip');
  const { pages } = await looked(id);
  const walks = (await looked(id, pages[1]!.position)).page!;
  await chooseCleaning(services, INES, { id, on: walks.position, choice: 'clean', answers: { [walks.questions[0]!.key]: '3' } });
  await chooseCleaning(services, INES, { id, on: 'the rest', choice: 'clean if nothing is asked', answers: {} });
  expect((await packages.shown(id)).pasted).toEqual({ pages: 2, toClean: 2, toLeave: 0 });
  const slug = await packages.accepted(id);
  const desk = await packages.deskOn(slug, 'walks');
  expect(desk.history.map(({ number, cause, note, by }) => [number, cause, note, by])).toEqual([
    [2, 'fixed', 'cleaned as it came in', INES.name],
    [1, 'imported', 'from its package', INES.name],
  ]);
  expect(desk.html).toContain('<h3>Along the towpath</h3>');
  expect((await packages.deskOn(slug, 'locks')).html).toContain('<p>The gates are opened by hand, and shut again behind the boat.</p>');
  expect((await packages.deskOn(slug, 'visit')).revision.number).toBe(1);
  // The texts as they came are revisions now, and are not kept twice.
  const kept = await b.db().selectFrom('package_pasted').select('html').where('package_id', '=', id).execute();
  expect(kept.map(({ html }) => html)).toEqual(['', '']);
  // It goes out cleaned, and every other byte as it came.
  const { bytes } = await packages.out(slug);
  expect(bytes.includes('MsoNormal')).toBe(false);
  expect(await chooseCleaning(services, INES, { id, on: 'the rest', choice: null, answers: {} })).toMatchObject({ ok: false });
});

test('with nothing said, and where something is asked that nobody answered, a page comes in as it is', async () => {
  const id = await waiting('asked.zip');
  await chooseCleaning(services, INES, { id, on: 'the rest', choice: 'clean if nothing is asked', answers: {} });
  const slug = await packages.accepted(id);
  expect((await packages.deskOn(slug, 'walks')).revision.number).toBe(1);
  expect((await packages.deskOn(slug, 'locks')).revision.number).toBe(2);
  const other = await waiting('silent.zip');
  expect((await packages.deskOn(await packages.accepted(other), 'locks')).revision.number).toBe(1);
});

test('one page that was pasted is cleaned the same way: its raw text is revision 1', async () => {
  const text = '<p class="MsoNormal"><b>Before you begin</b></p><p class="MsoNormal">Choose a warm day without wind for it.</p>';
  const asked = await services.engine.run('ask', {
    page: { html: text, scope: 'fragment', title: 'Hive', address: '', neighbours: { titles: {} } },
  });
  const wish = { collection: b.SLUG, title: 'Hive', incoming: { kind: 'text' as const, text } };
  const brought = await bringIn(services, INES, { ...wish, door: { [asked[0]!.key]: '2' } });
  if (!brought.ok) throw new Error(brought.problem.what);
  expect(brought.value.revision).toBe(2);
  const desk = await packages.deskOn(b.SLUG, brought.value.slug);
  expect(desk.html).toContain('<h2>Before you begin</h2>');
  expect(desk.history.map(({ number, cause }) => [number, cause])).toEqual([
    [2, 'fixed'],
    [1, 'imported'],
  ]);
  // Where something was left unanswered it comes in as it is.
  expect(await bringIn(services, INES, { ...wish, door: {} })).toMatchObject({ ok: true, value: { revision: 1 } });
});
