import { createHash } from 'node:crypto';
import { ruleOf } from '@inkwell/core';
import {
  arrange,
  bringIn,
  compareRevisions,
  endException,
  fix,
  fixAllAlike,
  fixAllCertain,
  fixTogether,
  imageUses,
  ledger,
  letStand,
  redo,
  restore,
  rule,
  saveSource,
  shelf,
  signOff,
  takeBackRuling,
  undo,
  type Desk,
  type Services,
} from './index.ts';
import { bench, INES, RUTH } from './testing/bench.ts';

const { services, db, SLUG, at, page, look, onDay } = bench();

const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const open = (view: Desk) => view.notes.filter((note) => note.standing === 'open' || note.standing === 'returned').map((note) => note.rule);

test('a page comes in as revision 1, audited, with its findings open', async () => {
  const view = await page('<h2></h2><p>A <img src="hive.png"></p>');
  expect(view).toMatchObject({
    scope: 'fragment',
    verdict: 'held',
    release: 'draft',
    tally: { must: 2, should: 0, judge: 0 },
    canUndo: false,
    revision: { number: 1, cause: 'imported', by: 'Ines Calder' },
  });
  expect(open(view)).toEqual(['headings/blank', 'images/no-alternative']);
});

test('a fix is a minimal edit, a new revision and a new audit; the finding is fixed because the audit no longer sees it', async () => {
  const before = await page('<H2 ></H2>\r\n<p  class=x>Text &amp; <img src=hive.png></p>');
  const image = before.notes.find((note) => note.rule === 'images/no-alternative')!;
  const result = await fix(services, INES, { ...at(before), findingId: image.id, remedy: 'describe', inputs: { alt: 'A hive' } });
  expect(result).toMatchObject({ ok: true, value: { revision: 2, fixed: 1, fresh: 0 } });
  const after = await look(before.slug);
  expect(after.html).toBe('<H2 ></H2>\r\n<p  class=x>Text &amp; <img alt="A hive" src=hive.png></p>');
  expect(open(after)).toEqual(['headings/blank']);
  expect(await db().selectFrom('findings').select('standing').where('id', '=', image.id).executeTakeFirstOrThrow()).toEqual({
    standing: 'fixed',
  });
  const changes = await db()
    .selectFrom('standing_changes')
    .select(['standing', 'made_by', 'revision'])
    .where('finding_id', '=', image.id)
    .orderBy('id')
    .execute();
  expect(changes).toEqual([
    { standing: 'open', made_by: INES.id, revision: 1 },
    { standing: 'fixed', made_by: INES.id, revision: 2 },
  ]);
});

test('a finding keeps its identity while the page changes around it, and is returned when it comes back', async () => {
  const first = await page('<h2>A</h2><p><img src="hive.png"></p>');
  const [note] = first.notes;
  await saveSource(services, INES, { ...at(first), html: '<h2>A</h2><p>New words</p><section><p><img src="hive.png"></p></section>' });
  const second = await look(first.slug);
  expect(second.notes.map((one) => one.id)).toEqual([note!.id]);
  await saveSource(services, INES, { ...at(second), html: '<h2>A</h2><p>x</p>' });
  const third = await look(first.slug);
  expect(third.notes).toEqual([]);
  await saveSource(services, INES, { ...at(third), html: '<h2>A</h2><p>x</p><p><img src="hive.png"></p>' });
  const fourth = await look(first.slug);
  expect(fourth.notes.map((one) => [one.id, one.standing])).toEqual([[note!.id, 'returned']]);
});

test('undo and redo walk the contents, each as a revision of its own', async () => {
  const first = await page('<h2>A</h2>');
  await saveSource(services, INES, { ...at(first), html: '<h2>B</h2>' });
  await saveSource(services, INES, { ...at(await look(first.slug)), html: '<h2></h2>' });
  const texts: string[] = [];
  for (const step of [undo, undo, redo, redo, undo]) {
    const result = await step(services, INES, at(await look(first.slug)));
    expect(result.ok).toBe(true);
    texts.push((await look(first.slug)).html);
  }
  expect(texts).toEqual(['<h2>B</h2>', '<h2>A</h2>', '<h2>B</h2>', '<h2></h2>', '<h2>B</h2>']);
  // A change forgets what could be redone.
  await saveSource(services, INES, { ...at(await look(first.slug)), html: '<h2>C</h2>' });
  const view = await look(first.slug);
  expect(view.canRedo).toBe(false);
  expect(await redo(services, INES, at(view))).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  expect(await restore(services, INES, { ...at(view), revision: 1 })).toMatchObject({ ok: true });
  expect((await look(first.slug)).html).toBe('<h2>A</h2>');
  await undo(services, INES, at(await look(first.slug)));
  expect((await look(first.slug)).html).toBe('<h2>C</h2>');
});

test('sign-off names one revision, needs a ready page, and lapses with the next change', async () => {
  const view = await page('<h2></h2><p>x</p>');
  expect(await signOff(services, INES, at(view))).toMatchObject({ ok: false, problem: { code: 'held' } });
  await fix(services, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'fill', inputs: { text: 'Wax' } });
  expect(await signOff(services, RUTH, at(view))).toMatchObject({ ok: false, problem: { code: 'conflict' } });
  const ready = await look(view.slug);
  expect(ready.verdict).toBe('ready');
  expect(await signOff(services, RUTH, at(ready))).toMatchObject({ ok: true, value: { revision: 2 } });
  expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  expect(await look(view.slug)).toMatchObject({
    verdict: 'ready',
    release: 'signed off',
    signOff: { revision: 2, by: 'Ruth Pender', lapsed: null },
  });
  await saveSource(services, INES, { ...at(ready), html: '<h2>Wax and soy</h2><p>x</p>' });
  expect(await look(view.slug)).toMatchObject({
    verdict: 'ready',
    release: 'lapsed',
    signOff: { revision: 2, lapsed: { because: 'text', revision: 3, by: 'Ines Calder' } },
  });
});

const QUESTION = '<h2>A</h2><p>The chart of combs is <a href="https://larkmoor.example/c">here</a>.</p>';

test('a ruling settles a question, holds over changes, stands as a failure when affirmed, and can be taken back', async () => {
  const view = await page(QUESTION);
  const findingId = view.notes[0]!.id;
  expect(view.verdict).toBe('judge');
  expect(await rule(services, RUTH, { ...at(view), findingId, answer: 'no problem' })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
  await rule(services, INES, { ...at(view), findingId, answer: 'no problem' });
  await saveSource(services, INES, { ...at(await look(view.slug)), html: `${view.html}<p>More</p>` });
  const later = await look(view.slug);
  expect(later).toMatchObject({ verdict: 'ready', notes: [{ standing: 'ruled out', ruling: { by: 'Ines Calder' } }] });
  await takeBackRuling(services, INES, { ...at(later), findingId });
  const open = await look(view.slug);
  expect(open.verdict).toBe('judge');
  await rule(services, INES, { ...at(open), findingId, answer: 'stands' });
  expect(await look(view.slug)).toMatchObject({ verdict: 'ready', tally: { should: 1, judge: 0 } });
});

test('a sign-off lapses when an answer it rested on is changed', async () => {
  const view = await page(QUESTION);
  const findingId = view.notes[0]!.id;
  await rule(services, INES, { ...at(view), findingId, answer: 'no problem' });
  await signOff(services, RUTH, at(await look(view.slug)));
  const signed = await look(view.slug);
  expect(signed.release).toBe('signed off');
  await rule(services, INES, { ...at(signed), findingId, answer: 'stands' });
  expect(await look(view.slug)).toMatchObject({
    release: 'lapsed',
    tally: { should: 1 },
    signOff: { lapsed: { because: 'decision', finding: findingId } },
  });
});

test('what cannot be taken in leaves nothing behind', async () => {
  const count = async () => {
    const book = await ledger(services, INES, { collection: SLUG });
    return book.ok && book.value.sums.pages;
  };
  const before = await count();
  const bad = [
    { kind: 'text' as const, text: '  ' },
    { kind: 'bytes' as const, bytes: new TextEncoder().encode('%PDF-1.4'), fileName: 'a.html' },
    { kind: 'text' as const, text: 'x'.repeat(21_500_000) },
    { kind: 'text' as const, text: '<p>no title</p>' },
  ];
  for (const incoming of bad)
    expect(await bringIn(services, INES, { collection: SLUG, incoming })).toMatchObject({
      ok: false,
      problem: { code: 'bad-page', kept: expect.any(String) as unknown },
    });
  expect(await bringIn(services, RUTH, { collection: SLUG, title: 'x', incoming: { kind: 'text', text: '<p>x</p>' } })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
  expect(await bringIn(services, INES, { collection: 'gone', title: 'x', incoming: { kind: 'text', text: '<p>x</p>' } })).toMatchObject({
    ok: false,
    problem: { code: 'not-found' },
  });
  expect(await count()).toBe(before);
});

test('two pages of one title get addresses of their own, and plain words become paragraphs', async () => {
  const slugs: string[] = [];
  for (const text of ['One < two\n\nThree', '<p>x</p>']) {
    const brought = await bringIn(services, INES, { collection: SLUG, title: 'Same Title é', incoming: { kind: 'text', text } });
    if (brought.ok) slugs.push(brought.value.slug);
  }
  expect(slugs).toEqual(['same-title-e', 'same-title-e-2']);
  expect((await look('same-title-e')).html).toBe('<p>One &lt; two</p>\n<p>Three</p>');
});

test('the ledger and the shelf count what stands open', async () => {
  const view = await page('<h2></h2><p>1. a</p><p>2. b</p><p><img src="hive.png"></p>');
  const book = await ledger(services, INES, { collection: SLUG });
  const row = book.ok ? book.value.pages.find((one) => one.slug === view.slug) : undefined;
  expect(row).toMatchObject({ verdict: 'held', release: 'draft', tally: { must: 3 }, families: { headings: 1, lists: 1, images: 1 } });
  const shown = await shelf(services, INES);
  const onShelf = shown.ok ? shown.value.find((one) => one.slug === SLUG) : undefined;
  expect(onShelf?.pages).toBeGreaterThan(5);
  expect(onShelf?.verdicts.held).toBeGreaterThan(0);
});

test('a remedy that is not the note’s, and the same text again, change nothing', async () => {
  const view = await page('<h2></h2>');
  expect(await fix(services, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'describe', inputs: {} })).toMatchObject({
    ok: false,
    problem: { code: 'declined' },
  });
  expect(await fix(services, INES, { ...at(view), findingId: 999_999_999, remedy: 'remove', inputs: {} })).toMatchObject({
    ok: false,
    problem: { code: 'not-found' },
  });
  expect(await saveSource(services, INES, { ...at(view), html: view.html })).toMatchObject({
    ok: false,
    problem: { code: 'nothing-to-do' },
  });
  expect((await look(view.slug)).revision.number).toBe(1);
});

describe('many at once', () => {
  const THREE = '<h2>A</h2><p>- One</p><p>- Two</p><h2>B</h2><p>- Three</p><p>- Four</p><h2>C</h2><p>Text <b class="x">heavy</b></p>';

  test('one slip in many places is one revision, and one undo takes it back', async () => {
    const before = await page(THREE);
    const list = before.notes.find((note) => note.rule === 'lists/typed')!;
    const result = await fixAllAlike(services, INES, { ...at(before), findingId: list.id, remedy: 'make-list', inputs: {} });
    expect(result).toMatchObject({ ok: true, value: { revision: 2, fixed: 2 } });
    const after = await look(before.slug);
    expect(after.html).toBe(
      '<h2>A</h2><ul><li>One</li><li>Two</li></ul><h2>B</h2><ul><li>Three</li><li>Four</li></ul><h2>C</h2><p>Text <b class="x">heavy</b></p>',
    );
    expect(after.revision).toMatchObject({ cause: 'fixed', note: 'Typed list, not a real one, 2 times (make it a real list)' });
    await undo(services, INES, at(after));
    expect((await look(before.slug)).html).toBe(THREE);
  });

  test('what is certain is fixed at once; what a person settled is left alone', async () => {
    const before = await page('<p>- One</p><p>- Two</p><h2>B</h2><p>- Three</p><p>- Four</p>');
    const [first] = before.notes.filter((note) => note.rule === 'lists/typed');
    await letStand(services, INES, {
      ...at(before),
      findingId: first!.id,
      reason: 'Dashes are spoken lines of a play here.',
      until: dayFromNow(60),
    });
    const result = await fixAllCertain(services, INES, at(await look(before.slug)));
    expect(result).toMatchObject({ ok: true, value: { revision: 2 } });
    const after = await look(before.slug);
    expect(after.html).toBe('<p>- One</p><p>- Two</p><h2>B</h2><ul><li>Three</li><li>Four</li></ul>');
    expect(await fixAllCertain(services, INES, at(after))).toMatchObject({
      ok: false,
      problem: { code: 'declined', kept: 'The page is as it was.' },
    });
  });

  test('fixes of one image are made together, all or none, as one revision that says each', async () => {
    const before = await page('<h2>A</h2><p>Text.</p><p><img src="images/IMG 2034.JPG"></p>');
    const on = (rule: string) => before.notes.find((note) => note.rule === rule)!.id;
    const parts: Parameters<typeof fixTogether>[2]['parts'] = [
      { findingId: on('images/no-alternative'), remedy: 'describe', inputs: { alt: 'A smoker, lit with straw' } },
      { findingId: on('images/file-name'), remedy: 'rename', inputs: { name: 'smoker-lit' } },
    ];
    const refused = await fixTogether(services, INES, {
      ...at(before),
      parts: [parts[0]!, { ...parts[1]!, inputs: { name: 'Not A Name' } }],
    });
    expect(refused).toMatchObject({ ok: false, problem: { why: expect.stringContaining('lower-case letters') as string } });
    expect((await look(before.slug)).revision.number).toBe(1);
    expect(await fixTogether(services, INES, { ...at(before), parts })).toMatchObject({ ok: true, value: { revision: 2 } });
    const after = await look(before.slug);
    expect(after.html).toBe('<h2>A</h2><p>Text.</p><p><img alt="A smoker, lit with straw" src="images/smoker-lit.jpg"></p>');
    expect(after.revision.note.split('; ')).toHaveLength(2);
    // Whoever described it has looked at it: nobody is asked whether the description is true.
    expect(after.notes.filter((note) => note.rule === 'images/true-to-picture' && note.standing === 'open')).toEqual([]);
    await undo(services, INES, at(after));
    expect((await look(before.slug)).html).toBe(before.html);
  });

  test('what was unticked is left as it is, whether fixed with others like it or with all that is certain', async () => {
    const before = await page(THREE);
    const [first, second] = before.notes.filter((note) => note.rule === 'lists/typed');
    const all = { findingId: first!.id, remedy: 'make-list' as const, inputs: {} };
    expect(await fixAllAlike(services, INES, { ...at(before), ...all, without: [second!.id] })).toMatchObject({
      ok: true,
      value: { fixed: 1 },
    });
    const after = await look(before.slug);
    expect(after.html).toContain('<p>- Three</p><p>- Four</p>');
    expect(after.html).toContain('<ul><li>One</li><li>Two</li></ul>');
    await undo(services, INES, at(after));
    const again = await look(before.slug);
    expect(await fixAllCertain(services, INES, { ...at(again), without: [first!.id] })).toMatchObject({ ok: true });
    const { html } = await look(before.slug);
    expect(html).toContain('<p>- One</p><p>- Two</p>');
    expect(html).toContain('<ul><li>Three</li><li>Four</li></ul>');
  });

  test('levels, headers and captions are arranged as a revision that says so', async () => {
    const before = await page('<h2>A</h2><h4>B</h4><table><tr><td>Lock</td><td>Depth</td></tr><tr><td>One</td><td>2 m</td></tr></table>');
    expect(
      await arrange(services, INES, {
        ...at(before),
        arrangement: { kind: 'levels', levels: [{ path: '/html[1]/body[1]/h4[1]', level: 3 }] },
      }),
    ).toMatchObject({ ok: true, value: { revision: 2, fixed: 1 } });
    const second = await look(before.slug);
    await arrange(services, INES, {
      ...at(second),
      arrangement: { kind: 'table', path: '/html[1]/body[1]/table[1]', headers: 'row', caption: 'Locks' },
    });
    const third = await look(before.slug);
    expect(third.html).toBe(
      '<h2>A</h2><h3>B</h3><table><caption>Locks</caption><tr><th scope="col">Lock</th><th scope="col">Depth</th></tr><tr><td>One</td><td>2 m</td></tr></table>',
    );
    expect(third.history.map((line) => [line.cause, line.note])).toEqual([
      ['edited', 'headers and caption of a table'],
      ['edited', 'one heading’s level'],
      ['imported', 'pasted'],
    ]);
    expect(
      await arrange(services, RUTH, {
        ...at(third),
        arrangement: { kind: 'levels', levels: [{ path: '/html[1]/body[1]/h3[1]', level: 2 }] },
      }),
    ).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    expect(
      await arrange(services, INES, {
        ...at(third),
        arrangement: { kind: 'levels', levels: [{ path: '/html[1]/body[1]/h6[1]', level: 2 }] },
      }),
    ).toMatchObject({ ok: false, problem: { code: 'declined' } });
  });
});

describe('exceptions', () => {
  const BEFORE = '2026-11-25';
  afterEach(() => onDay(null));

  test('an excepted must holds nothing until its day, is open again after it, and a sign-off lapses with it', async () => {
    onDay(BEFORE);
    const before = await page('<p>A <img src="hive.png"></p>');
    const findingId = before.notes[0]!.id;
    expect(
      await letStand(services, INES, { ...at(before), findingId, reason: 'The drawing is being redrawn.', until: '2026-12-24' }),
    ).toMatchObject({ ok: true, value: { standing: 'excepted' } });
    const excepted = await look(before.slug);
    expect(excepted.verdict).toBe('ready');
    expect(excepted.notes[0]).toMatchObject({
      standing: 'excepted',
      exception: { reason: 'The drawing is being redrawn.', until: '2026-12-24', by: 'Ines Calder' },
    });
    await signOff(services, RUTH, at(excepted));
    onDay('2026-12-24');
    expect(await look(before.slug)).toMatchObject({ verdict: 'ready', release: 'signed off' });
    onDay('2026-12-25');
    expect(await look(before.slug)).toMatchObject({
      verdict: 'held',
      release: 'lapsed',
      notes: [{ standing: 'open', exception: null }],
      signOff: { lapsed: { because: 'exception', finding: findingId } },
    });
  });

  test('it outlives other changes, stays when the problem comes back, and can be ended', async () => {
    onDay(BEFORE);
    const first = await page('<h2>A</h2><p><img src="hive.png"></p>');
    const findingId = first.notes[0]!.id;
    await letStand(services, INES, { ...at(first), findingId, reason: 'The drawing is being redrawn.', until: '2027-03-01' });
    await saveSource(services, INES, { ...at(await look(first.slug)), html: '<h2>A</h2><p>x</p>' });
    await saveSource(services, INES, { ...at(await look(first.slug)), html: '<h2>A</h2><p>x</p><p><img src="hive.png"></p>' });
    const back = await look(first.slug);
    expect(back.notes.map((one) => [one.id, one.standing])).toEqual([[findingId, 'excepted']]);
    expect(await endException(services, INES, { ...at(back), findingId })).toMatchObject({ ok: true });
    const ended = await look(first.slug);
    expect(ended.notes[0]).toMatchObject({ standing: 'open', exception: null });
    expect(await endException(services, INES, { ...at(ended), findingId })).toMatchObject({
      ok: false,
      problem: { code: 'nothing-to-do' },
    });
  });

  test.each([
    ['no reason', ' a ', '2026-12-24', /reason/],
    ['a day that has passed', 'The drawing is being redrawn.', '2026-11-24', /has passed/],
    ['no day', 'The drawing is being redrawn.', 'soon', /day on which it ends/],
    ['a day that is none', 'The drawing is being redrawn.', '2026-13-40', /day on which it ends/],
    ['for ever', 'The drawing is being redrawn.', '2036-01-01', /at most 2 years/],
  ])('needs a reason and an end: %s', async (_shows, reason, until, why) => {
    onDay(BEFORE);
    const view = await page('<h2></h2><p>Text</p>');
    const result = await letStand(services, INES, { ...at(view), findingId: view.notes[0]!.id, reason, until });
    expect(!result.ok && result.problem.why).toMatch(why);
  });
});

test('who is not sure hands the question on: it still waits for an answer, and says by whom', async () => {
  const view = await page('<h2>A</h2><p>For the chart of combs <a href="https://larkmoor.example/x">click here</a>.</p>');
  const question = view.notes.find((note) => note.outcome === 'cantTell')!;
  await rule(services, INES, { ...at(view), findingId: question.id, answer: 'not sure' });
  const asked = await look(view.slug);
  expect(asked.verdict).toBe('judge');
  expect(asked.notes.find((note) => note.id === question.id)).toMatchObject({
    standing: 'open',
    ruled: 'not sure',
    waitsFor: 'specialist',
    ruling: { answer: 'not sure', by: 'Ines Calder' },
  });
  await rule(services, INES, { ...at(asked), findingId: question.id, answer: 'no problem' });
  expect(await look(view.slug)).toMatchObject({ verdict: 'ready', notes: [{ waitsFor: null }] });
});

test('two revisions: what was fixed, kept and brought between them', async () => {
  const first = await page('<h2></h2><p>A <img src="hive.png"></p>');
  await saveSource(services, INES, { ...at(first), html: '<h2>Bees</h2><p>A <img src="hive.png"></p><p><a href=""></a></p>' });
  const compared = await compareRevisions(services, INES, { pageId: first.pageId, from: 1, to: 2 });
  if (!compared.ok) throw new Error(compared.problem.what);
  const titles = (notes: readonly { title: string }[]) => notes.map((note) => note.title);
  expect([titles(compared.value.fixed), titles(compared.value.kept)]).toEqual([
    ['Heading with no text'],
    ['Image with no alternative text'],
  ]);
  expect(compared.value.brought.length).toBeGreaterThan(0);
  const back = await compareRevisions(services, INES, { pageId: first.pageId, from: 2, to: 1 });
  expect(back.ok && titles(back.value.brought)).toEqual(['Heading with no text']);
  expect(await compareRevisions(services, INES, { pageId: first.pageId, from: 1, to: 9 })).toMatchObject({
    ok: false,
    problem: { code: 'not-found' },
  });
});

test('a page knows which stand before and after it', async () => {
  const [one, two] = [await page('<p>One.</p>'), await page('<p>Two.</p>')];
  expect((await look(one.slug)).beside.after).toEqual({ slug: two.slug, title: two.title });
  expect((await look(two.slug)).beside.before).toEqual({ slug: one.slug, title: one.title });
});

test('a page knows the next with something open, round the collection', async () => {
  const [first, clean, last] = [await page('<h2></h2>'), await page('<p>All is well here.</p>'), await page('<h2></h2>')];
  expect(clean.verdict).toBe('ready');
  expect((await look(first.slug)).beside.open).toEqual({ slug: last.slug, title: last.title });
  const round = (await look(last.slug)).beside.open;
  expect(round).not.toBeNull();
  expect([clean.slug, last.slug]).not.toContain(round!.slug);
});

test('an image’s other pages are found by where their markup leads, with what each says of it', async () => {
  const first = await page('<p><img src="images/queen%20bee.png"></p>');
  const second = await page('<p><img src="./images/queen%20bee.png" alt="A marked queen"></p>');
  await page('<p>The file queen bee.png is not shown here, and <img src="other/queen%20bee.png" alt="Another"> is another.</p>');
  expect(await imageUses(services, INES, { pageId: first.pageId, image: 'images/queen bee.png' })).toEqual({
    ok: true,
    value: [{ slug: second.slug, title: second.title, alt: 'A marked queen' }],
  });
});

describe('a page’s bytes', () => {
  const bring = (bytes: Buffer, title: string) =>
    bringIn(services, INES, { collection: SLUG, title, incoming: { kind: 'bytes', bytes, fileName: 'page.html' } });
  const revision = (view: Desk, number: number) =>
    db()
      .selectFrom('revisions')
      .select(['encoding', 'bom', 'bytes_sha256'])
      .where('page_id', '=', view.pageId)
      .where('number', '=', number)
      .executeTakeFirstOrThrow();
  const kept = async (sha256: string) =>
    (await db().selectFrom('files').select('size').where('sha256', '=', sha256).executeTakeFirst())?.size;

  test('their encoding, mark and hash go along with every revision', async () => {
    const bytes = Buffer.from([0xef, 0xbb, 0xbf, ...Buffer.from('<h2>Café</h2><h2></h2><p>x</p>')]);
    await bring(bytes, 'Marked');
    const view = await look('marked');
    const first = await revision(view, 1);
    expect(first).toMatchObject({ encoding: 'utf-8', bom: true, bytes_sha256: createHash('sha256').update(bytes).digest('hex') });
    await fixAllCertain(services, INES, at(view));
    expect(await revision(view, 2)).toEqual(first);
    // The text alone gives these bytes back: they are not kept twice.
    expect(await kept(first.bytes_sha256!)).toBeUndefined();
  });

  test('where the text would not give them back, the bytes are kept too', async () => {
    const bytes = Buffer.concat([
      Buffer.from('<meta charset=utf-8><h2>Wax '),
      Buffer.from([0xff, 0xfe, 0x41]),
      Buffer.from('</h2><p>x</p>'),
    ]);
    await bring(bytes, 'Broken letters');
    const { encoding, bytes_sha256: sha256 } = await revision(await look('broken-letters'), 1);
    expect([encoding, await kept(sha256!)]).toEqual(['utf-8', bytes.length]);
  });
});

test('a rule that fails on a page is told on its Desk, and all others still speak', async () => {
  const failing: Services = {
    db: services.db,
    now: services.now,
    engine: {
      async run(task, wish) {
        const given = await services.engine.run(task, wish);
        return task === 'examine' ? { ...given, troubles: [{ rule: 'headings/blank', problem: 'met a case it was not made for' }] } : given;
      },
    },
  };
  const brought = await bringIn(failing, INES, {
    collection: SLUG,
    title: 'Failing',
    incoming: { kind: 'text', text: '<p>A <img src="hive.png"></p>' },
  });
  const view = await look(brought.ok ? brought.value.slug : '');
  expect(view.failedRules).toEqual([ruleOf('headings/blank')!.title]);
  expect(view.notes.map(({ rule: id }) => id)).toContain('images/no-alternative');
});
