import { migrate, openDatabase, type Database } from '@inkwell/store';
import { bringIn, desk, ledger, mend, redo, restore, rule, saveSource, shelf, signOff, takeBackRuling, undo, type Actor, type Desk } from './index.ts';

const INES: Actor = { id: 'test-ines', name: 'Ines Calder', role: 'reviewer' };
const RUTH: Actor = { id: 'test-ruth', name: 'Ruth Pender', role: 'publisher' };
const SLUG = `test-${process.pid}`;
let db: Database;

beforeAll(async () => {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
  db = openDatabase({ url });
  await migrate(db);
  await db.insertInto('people').values([INES, RUTH]).onConflict((on) => on.doNothing()).execute();
  await db.insertInto('collections').values({ slug: SLUG, title: 'Tests', kind: 'course', scope: 'fragment' }).execute();
});

afterAll(async () => {
  await db.deleteFrom('collections').where('slug', '=', SLUG).execute();
  await db.deleteFrom('people').where('id', 'in', [INES.id, RUTH.id]).execute();
  await db.destroy();
});

let made = 0;

async function page(html: string): Promise<Desk> {
  made++;
  const brought = await bringIn(db, INES, { collection: SLUG, title: `Page ${made}`, incoming: { kind: 'text', text: html } });
  if (!brought.ok) throw new Error(brought.problem.what);
  return look(brought.value.slug);
}

async function look(slug: string): Promise<Desk> {
  const shown = await desk(db, SLUG, slug);
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value;
}

const at = (view: Desk) => ({ pageId: view.pageId, base: view.revision.number });
const open = (view: Desk) => view.notes.filter((note) => note.standing === 'open' || note.standing === 'returned').map((note) => note.rule);

test('a page comes in as revision 1, audited, with its findings open', async () => {
  const view = await page('<h2></h2><p>A <img src="hive.png"></p>');
  expect(view).toMatchObject({ scope: 'fragment', standing: 'held', tally: { must: 2, should: 0, judge: 0 }, canUndo: false, revision: { number: 1, cause: 'imported', by: 'Ines Calder' } });
  expect(open(view)).toEqual(['headings/blank', 'images/no-alternative']);
});

test('a fix is a minimal edit, a new revision and a new audit; the finding is fixed because the audit no longer sees it', async () => {
  const before = await page('<H2 ></H2>\r\n<p  class=x>Text &amp; <img src=hive.png></p>');
  const image = before.notes.find((note) => note.rule === 'images/no-alternative')!;
  const result = await mend(db, INES, { ...at(before), findingId: image.id, remedy: 'describe', inputs: { alt: 'A hive' } });
  expect(result).toMatchObject({ ok: true, value: { revision: 2, fixed: 1, fresh: 0 } });
  const after = await look(before.slug);
  expect(after.html).toBe('<H2 ></H2>\r\n<p  class=x>Text &amp; <img alt="A hive" src=hive.png></p>');
  expect(open(after)).toEqual(['headings/blank']);
  const row = await db.selectFrom('findings').select(['standing', 'last_revision']).where('id', '=', image.id).executeTakeFirstOrThrow();
  expect(row).toEqual({ standing: 'fixed', last_revision: 1 });
  const changes = await db.selectFrom('standing_changes').select(['standing', 'made_by', 'revision']).where('finding_id', '=', image.id).orderBy('id').execute();
  expect(changes).toEqual([{ standing: 'open', made_by: INES.id, revision: 1 }, { standing: 'fixed', made_by: INES.id, revision: 2 }]);
});

test('a finding keeps its identity while the page changes around it, and is returned when it comes back', async () => {
  const first = await page('<h2>A</h2><p><img src="hive.png"></p>');
  const [note] = first.notes;
  await saveSource(db, INES, { ...at(first), html: '<h2>A</h2><p>New words</p><section><p><img src="hive.png"></p></section>' });
  const second = await look(first.slug);
  expect(second.notes.map((one) => one.id)).toEqual([note!.id]);
  await saveSource(db, INES, { ...at(second), html: '<h2>A</h2><p>x</p>' });
  const third = await look(first.slug);
  expect(third.notes).toEqual([]);
  await saveSource(db, INES, { ...at(third), html: '<h2>A</h2><p>x</p><p><img src="hive.png"></p>' });
  const fourth = await look(first.slug);
  expect(fourth.notes.map((one) => [one.id, one.standing])).toEqual([[note!.id, 'returned']]);
});

test('undo and redo walk the contents, each as a revision of its own', async () => {
  const first = await page('<h2>A</h2>');
  await saveSource(db, INES, { ...at(first), html: '<h2>B</h2>' });
  await saveSource(db, INES, { ...at(await look(first.slug)), html: '<h2></h2>' });
  const texts: string[] = [];
  for (const step of [undo, undo, redo, redo, undo]) {
    const result = await step(db, INES, at(await look(first.slug)));
    expect(result.ok).toBe(true);
    texts.push((await look(first.slug)).html);
  }
  expect(texts).toEqual(['<h2>B</h2>', '<h2>A</h2>', '<h2>B</h2>', '<h2></h2>', '<h2>B</h2>']);
  // A change forgets what could be redone.
  await saveSource(db, INES, { ...at(await look(first.slug)), html: '<h2>C</h2>' });
  const view = await look(first.slug);
  expect(view.canRedo).toBe(false);
  expect(await redo(db, INES, at(view))).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  expect(await restore(db, INES, { ...at(view), revision: 1 })).toMatchObject({ ok: true });
  expect((await look(first.slug)).html).toBe('<h2>A</h2>');
  await undo(db, INES, at(await look(first.slug)));
  expect((await look(first.slug)).html).toBe('<h2>C</h2>');
});

test('of two writers on one revision one wins, and the other is given both texts', async () => {
  const view = await page('<h2>A</h2>');
  const both = await Promise.all(['Mine', 'Theirs'].map((word) => saveSource(db, INES, { ...at(view), html: `<h2>${word}</h2>` })));
  const [won, lost] = [both.filter((one) => one.ok), both.filter((one) => !one.ok)];
  expect([won.length, lost.length]).toEqual([1, 1]);
  const now = await look(view.slug);
  expect(lost[0]).toMatchObject({ problem: { code: 'conflict', theirs: { revision: 2, html: now.html, by: 'Ines Calder' } } });
});

test('sign-off names one revision, needs a ready page, and lapses with the next change', async () => {
  const view = await page('<h2></h2><p>x</p>');
  expect(await signOff(db, INES, at(view))).toMatchObject({ ok: false, problem: { code: 'held' } });
  await mend(db, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'fill', inputs: { text: 'Wax' } });
  expect(await signOff(db, RUTH, at(view))).toMatchObject({ ok: false, problem: { code: 'conflict' } });
  const ready = await look(view.slug);
  expect(ready.standing).toBe('ready');
  expect(await signOff(db, RUTH, at(ready))).toEqual({ ok: true, value: { revision: 2 } });
  expect(await signOff(db, RUTH, at(ready))).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  expect(await look(view.slug)).toMatchObject({ standing: 'signed off', signOff: { revision: 2, by: 'Ruth Pender', lapsedBy: null } });
  await saveSource(db, INES, { ...at(ready), html: '<h2>Wax and soy</h2><p>x</p>' });
  expect(await look(view.slug)).toMatchObject({ standing: 'lapsed', signOff: { revision: 2, lapsedBy: 3 } });
});

test('a ruling settles a question, holds over changes, stands as a failure when affirmed, and can be taken back', async () => {
  const view = await page('<h2>A</h2><p>The chart of combs is <a href="c.html">here</a>.</p>');
  const [note] = view.notes;
  expect(view.standing).toBe('judge');
  expect(await rule(db, RUTH, { ...at(view), findingId: note!.id, answer: 'no problem' })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  await rule(db, INES, { ...at(view), findingId: note!.id, answer: 'no problem' });
  await saveSource(db, INES, { ...at(view), html: `${view.html}<p>More</p>` });
  const later = await look(view.slug);
  expect(later).toMatchObject({ standing: 'ready', notes: [{ standing: 'ruled out', ruling: { by: 'Ines Calder' } }] });
  await takeBackRuling(db, INES, { pageId: view.pageId, findingId: note!.id });
  expect((await look(view.slug)).standing).toBe('judge');
  await rule(db, INES, { ...at(later), findingId: note!.id, answer: 'stands' });
  expect(await look(view.slug)).toMatchObject({ standing: 'ready', tally: { should: 1, judge: 0 } });
});

test('a sign-off lapses when an answer it rested on is changed', async () => {
  const view = await page('<h2>A</h2><p>The chart of combs is <a href="c.html">here</a>.</p>');
  const where = { ...at(view), findingId: view.notes[0]!.id };
  await rule(db, INES, { ...where, answer: 'no problem' });
  await signOff(db, RUTH, at(view));
  expect((await look(view.slug)).standing).toBe('signed off');
  await rule(db, INES, { ...where, answer: 'stands' });
  expect(await look(view.slug)).toMatchObject({ standing: 'lapsed', tally: { should: 1 } });
});

test('what cannot be taken in leaves nothing behind', async () => {
  const count = async () => (await ledger(db, SLUG)).ok && ((await ledger(db, SLUG)) as { value: { pages: unknown[] } }).value.pages.length;
  const before = await count();
  const bad = [
    { kind: 'text' as const, text: '  ' }, { kind: 'bytes' as const, bytes: new TextEncoder().encode('%PDF-1.4'), fileName: 'a.html' }, { kind: 'text' as const, text: 'x'.repeat(11_000_000) }, { kind: 'text' as const, text: '<p>no title</p>' },
  ];
  for (const incoming of bad) expect(await bringIn(db, INES, { collection: SLUG, incoming })).toMatchObject({ ok: false, problem: { code: 'bad-page', kept: expect.any(String) as unknown } });
  expect(await bringIn(db, RUTH, { collection: SLUG, title: 'x', incoming: { kind: 'text', text: '<p>x</p>' } })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  expect(await bringIn(db, INES, { collection: 'gone', title: 'x', incoming: { kind: 'text', text: '<p>x</p>' } })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await count()).toBe(before);
});

test('two pages of one title get addresses of their own, and plain words become paragraphs', async () => {
  const slugs: string[] = [];
  for (const text of ['One < two\n\nThree', '<p>x</p>']) {
    const brought = await bringIn(db, INES, { collection: SLUG, title: 'Same Title é', incoming: { kind: 'text', text } });
    if (brought.ok) slugs.push(brought.value.slug);
  }
  expect(slugs).toEqual(['same-title-e', 'same-title-e-2']);
  expect((await look('same-title-e')).html).toBe('<p>One &lt; two</p>\n<p>Three</p>');
});

test('the ledger and the shelf count what stands open', async () => {
  const view = await page('<h2></h2><p>1. a</p><p>2. b</p><p><img src="hive.png"></p>');
  const book = await ledger(db, SLUG);
  const row = book.ok ? book.value.pages.find((one) => one.slug === view.slug) : undefined;
  expect(row).toMatchObject({ standing: 'held', tally: { must: 3 }, families: { headings: 1, lists: 1, images: 1 } });
  const onShelf = (await shelf(db)).find((one) => one.slug === SLUG);
  expect(onShelf?.pages).toBeGreaterThan(5);
  expect(onShelf?.standings.held).toBeGreaterThan(0);
});

test('a remedy that is not the note’s, and the same text again, change nothing', async () => {
  const view = await page('<h2></h2>');
  expect(await mend(db, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'describe', inputs: {} })).toMatchObject({ ok: false, problem: { code: 'declined' } });
  expect(await mend(db, INES, { ...at(view), findingId: 999_999_999, remedy: 'remove', inputs: {} })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await saveSource(db, INES, { ...at(view), html: view.html })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  expect((await look(view.slug)).revision.number).toBe(1);
});
