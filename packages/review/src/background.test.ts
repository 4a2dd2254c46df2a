import { DEFAULT_PROFILE, ENGINE_VERSION, PROFILES } from '@inkwell/core';
import {
  fix,
  auditAgain,
  auditAllAgain,
  cancelWork,
  compareRevisions,
  letStand,
  saveSource,
  setStandard,
  signOff,
  standard,
  THE_SYSTEM,
  type Desk,
  nameProfile,
  newProfile,
} from './index.ts';
import { bench, INES, RUTH, SAM } from './testing/bench.ts';

const { services, db, at, page, look, SLUG } = bench();

const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const audits = async (view: Desk) => (await db().selectFrom('audits').select('id').where('page_id', '=', view.pageId).execute()).length;
const jobsFor = async (view: Desk) =>
  (
    await db()
      .selectFrom('jobs' as never)
      .select('id' as never)
      .where('name' as never, '=', `audit a page again ${view.pageId}` as never)
      .where('state' as never, '=', 'waiting' as never)
      .execute()
  ).length;
const rulesOf = (view: Desk) => view.notes.map((note) => note.rule);

describe('an audit has an id and knows its inputs', () => {
  test('of the same text and neighbours nothing is written', async () => {
    const view = await page('<h2></h2><p>x</p>');
    expect(await auditAgain(services, THE_SYSTEM, { pageId: view.pageId })).toEqual({ ok: true, value: 'as it was' });
    expect([await audits(view), (await look(view.slug)).version]).toEqual([1, view.version]);
  });

  test('a person does not ask for it; whoever may not see the page is not even told of it', async () => {
    const view = await page('<h2></h2>');
    expect(await auditAgain(services, INES, { pageId: view.pageId })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    expect(await auditAllAgain(services, SAM)).toMatchObject({ ok: false });
  });

  test('an engine that has moved on audits again, keeps what stands, and confirms the sign-off under the new audit', async () => {
    const view = await page('<h2>A</h2><p>A <img src="hive.png"></p>');
    await letStand(services, INES, { ...at(view), findingId: view.notes[0]!.id, reason: 'It is being redrawn.', until: dayFromNow(9) });
    await signOff(services, RUTH, at(await look(view.slug)));
    await db().updateTable('audits').set({ engine: '0.0.1' }).where('page_id', '=', view.pageId).execute();
    expect(await auditAgain(services, THE_SYSTEM, { pageId: view.pageId })).toEqual({ ok: true, value: 'audited' });
    const after = await look(view.slug);
    expect([after.release, after.notes.map((note) => [note.id, note.standing])]).toEqual(['signed off', [[view.notes[0]!.id, 'excepted']]]);
    const [signed, newest] = [
      await db().selectFrom('sign_offs').select('audit_id').where('page_id', '=', view.pageId).execute(),
      await db()
        .selectFrom('audits')
        .select(['id', 'engine'])
        .where('page_id', '=', view.pageId)
        .orderBy('id', 'desc')
        .limit(1)
        .executeTakeFirst(),
    ];
    expect([signed, newest?.engine]).toEqual([[{ audit_id: newest!.id }], ENGINE_VERSION]);
  });

  test('an audit that finds more lapses the sign-off, and names the finding that did it', async () => {
    const view = await page('<h2>A</h2><p>A <img src="hive.png" alt="A hive in snow"></p>');
    // As if an older engine had seen nothing here.
    await db().deleteFrom('findings').where('page_id', '=', view.pageId).execute();
    await db().updateTable('audits').set({ engine: '0.0.1' }).where('page_id', '=', view.pageId).execute();
    await db().updateTable('page_status').set({ verdict: 'ready', questions: 0 }).where('page_id', '=', view.pageId).execute();
    expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: true });
    await auditAgain(services, THE_SYSTEM, { pageId: view.pageId });
    const after = await look(view.slug);
    expect(after).toMatchObject({ verdict: 'judge', release: 'lapsed', signOff: { lapsed: { because: 'audit', by: 'Inkwell Check' } } });
    expect(after.notes.map((note) => note.id)).toContain(after.signOff!.lapsed!.finding);
  });
});

test('the walk to a newer engine, once cancelled, is not begun again by the next round of the worker', async () => {
  const view = await page('<h2></h2>');
  await db().updateTable('audits').set({ engine: '0.0.1' }).where('page_id', '=', view.pageId).execute();
  await db()
    .deleteFrom('jobs' as never)
    .execute();
  const begun = await auditAllAgain(services, THE_SYSTEM);
  const id = begun.ok ? begun.value : null;
  expect(id).toMatch(/^\d+$/);
  expect(await cancelWork(services, SAM, { id: id! })).toMatchObject({ ok: true });
  expect(await auditAllAgain(services, THE_SYSTEM)).toEqual({ ok: true, value: null });
  expect(await jobsFor(view)).toBe(0);
  await db()
    .deleteFrom('jobs' as never)
    .execute();
});

describe('pages of a collection know of one another', () => {
  test('a link is missing its page until that is brought in; then the page is audited again in the background', async () => {
    const first = await page('<h2>A</h2><p>More of wax in <a href="wax-and-soy.html#melting">melting wax and soy</a>.</p>');
    expect(rulesOf(first)).toContain('links/missing-page');
    await page('<h2>A</h2><p id="cooling">x</p>', 'Wax and soy');
    expect(await jobsFor(first)).toBe(1);
    await auditAgain(services, THE_SYSTEM, { pageId: first.pageId });
    const second = await look(first.slug);
    expect([rulesOf(second).includes('links/missing-page'), rulesOf(second).includes('links/missing-anchor')]).toEqual([false, true]);
    const target = await look('wax-and-soy');
    await saveSource(services, INES, { ...at(target), html: '<h2>A</h2><p id="melting">x</p>' });
    await auditAgain(services, THE_SYSTEM, { pageId: first.pageId });
    expect(rulesOf(await look(first.slug))).not.toContain('links/missing-anchor');
  });

  test('a file that is not there, and one image described in unlike ways', async () => {
    const first = await page(
      '<h2>A</h2><p>Here <img src="gone.png" alt="A frame of comb"> and <img src="hive.png" alt="A hive under an apple tree"> stand.</p>',
    );
    expect(rulesOf(first)).toContain('images/broken');
    const other = await page('<h2>A</h2><p>Here <img src="hive.png" alt="The queen, marked with a white dot"> stands.</p>');
    expect(rulesOf(other)).toContain('images/different-alt-same-image');
    await auditAgain(services, THE_SYSTEM, { pageId: first.pageId });
    expect(rulesOf(await look(first.slug))).toContain('images/different-alt-same-image');
  });

  test('a change that no neighbour sees sends none of them to be audited', async () => {
    const first = await page('<h2>A</h2><p>See <a href="honey-and-bread.html">honey and bread</a>.</p>');
    const second = await page('<h2>Bread</h2><p>x</p>', 'Honey and bread');
    await db()
      .deleteFrom('jobs' as never)
      .execute();
    await saveSource(services, INES, { ...at(second), html: '<h2>Bread</h2><p>Other words.</p>' });
    expect(await jobsFor(first)).toBe(0);
  });
});

describe('occurrences are intervals', () => {
  const rows = (view: Desk) =>
    db()
      .selectFrom('occurrences')
      .select(['finding_id', 'from_audit', 'to_audit'])
      .where('page_id', '=', view.pageId)
      .orderBy('id')
      .execute();

  test('a change elsewhere writes no row for what only moved, and its place is right all the same', async () => {
    const view = await page(`<h2>A</h2><p>A <img src="hive.png"></p><p>B <img src="hive.png?b"></p>`);
    const before = await rows(view);
    await saveSource(services, INES, { ...at(view), html: view.html.replace('<h2>A</h2>', '<h2>A longer heading</h2>') });
    await saveSource(services, INES, {
      ...at(await look(view.slug)),
      html: (await look(view.slug)).html.replace('B <img', 'Before it <img'),
    });
    const after = await look(view.slug);
    expect(await rows(view)).toEqual(before);
    for (const note of after.notes) expect(after.html.slice(note.at.start, note.at.end)).toMatch(/^<img src="hive\.png(?:\?b)?">$/);
    expect(after.notes.map((note) => note.at.line)).toEqual([1, 1]);
  });

  test('what is fixed ends its interval, what comes back begins another, and any two revisions can be compared', async () => {
    const view = await page('<h2>A</h2><p>A <img src="hive.png"></p>');
    await fix(services, INES, { ...at(view), findingId: view.notes[0]!.id, remedy: 'describe', inputs: { alt: 'A hive' } });
    await saveSource(services, INES, { ...at(await look(view.slug)), html: view.html });
    const intervals = (await rows(view)).filter((row) => row.finding_id === view.notes[0]!.id);
    expect(intervals.map((row) => row.to_audit === null)).toEqual([false, true]);
    const compared = await compareRevisions(services, INES, { pageId: view.pageId, from: 1, to: 2 });
    expect(compared.ok && compared.value.fixed.map((note) => note.id)).toEqual([view.notes[0]!.id]);
    const same = await compareRevisions(services, INES, { pageId: view.pageId, from: 1, to: 3 });
    expect(same.ok && [same.value.fixed.length, same.value.kept.length, same.value.brought.length]).toEqual([0, 1, 0]);
  });

  test('a hundred changes before a finding leave it where it stands', async () => {
    const view = await page('<h2>A</h2><p>A <img src="hive.png"></p>');
    let now = view;
    for (let i = 0; i < 70; i++) {
      await saveSource(services, INES, { ...at(now), html: now.html.replace('<h2>', `<h2>${i % 10}`) });
      now = await look(view.slug);
    }
    expect(now.html.slice(now.notes[0]!.at.start, now.notes[0]!.at.end)).toBe('<img src="hive.png">');
    expect((await rows(view)).length).toBeLessThan(4);
  }, 30_000);
});

describe('the standard', () => {
  const profile = DEFAULT_PROFILE.name;
  const now = async () => {
    const found = await standard(services, SAM, { profile });
    if (!found.ok) throw new Error(found.problem.what);
    return found.value;
  };
  afterEach(
    async () =>
      void (await setStandard(services, SAM, { profile, version: (await now()).version, selection: DEFAULT_PROFILE, vocabulary: {} })),
  );

  test('moving from AA to AAA and back is counted, audits nothing, and lapses only what the gate now holds', async () => {
    const faint = await page('<h2>Wax</h2><p style="color:#666666;background:#ffffff">Text of some words.</p>');
    const plain = await page('<h2>Wax</h2><p>Text of some words.</p>');
    await signOff(services, RUTH, at(faint));
    await signOff(services, RUTH, at(plain));
    expect(
      await setStandard(services, INES, { profile, version: (await now()).version, selection: PROFILES['wcag22-aaa']! }),
    ).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    const set = await setStandard(services, SAM, {
      profile,
      version: (await now()).version,
      selection: { ...PROFILES['wcag22-aaa']!, name: profile },
    });
    expect(set).toMatchObject({ ok: true, value: { lapsed: 1 } });
    const held = await look(faint.slug);
    expect(held).toMatchObject({
      verdict: 'held',
      release: 'lapsed',
      tally: { must: 1 },
      signOff: { lapsed: { because: 'standard', by: 'Sam Okello', finding: held.notes[0]!.id } },
    });
    expect(await look(plain.slug)).toMatchObject({ verdict: 'ready', release: 'signed off' });
    expect([await audits(faint), await audits(plain)]).toEqual([1, 1]);
    await setStandard(services, SAM, { profile, version: (await now()).version, selection: DEFAULT_PROFILE });
    expect(await look(faint.slug)).toMatchObject({ verdict: 'ready', release: 'lapsed', notes: [] });
  });

  test('of two who change it at once the second is told', async () => {
    const { version } = await now();
    const both = await Promise.all([1, 2].map(() => setStandard(services, SAM, { profile, version, selection: DEFAULT_PROFILE })));
    expect(both.map((one) => (one.ok ? 'set' : one.problem.code)).sort()).toEqual(['conflict', 'set']);
  });

  test('questions hold a page, unless the house says otherwise', async () => {
    const view = await page('<h2>A</h2><p>The chart of combs is <a href="https://larkmoor.example/c">here</a>.</p>');
    await setStandard(services, SAM, { profile, version: (await now()).version, selection: { ...DEFAULT_PROFILE, questionsHold: false } });
    expect(await look(view.slug)).toMatchObject({ verdict: 'ready', tally: { judge: 1 } });
  });

  test('a collection and a content type name a profile of their own, and give it up again', async () => {
    const faint = '<h2>Wax</h2><p style="color:#666666;background:#ffffff">Text of some words.</p>';
    const view = await page(faint);
    const name = `Strict ${SLUG}`;
    expect(await newProfile(services, SAM, { name, selection: { ...PROFILES['wcag22-aaa']!, name } })).toMatchObject({ ok: true });
    expect(await newProfile(services, SAM, { name, selection: DEFAULT_PROFILE })).toMatchObject({
      ok: false,
      problem: { code: 'duplicate' },
    });
    expect(await nameProfile(services, SAM, { profile: name, collection: SLUG, contentType: 'assignment' })).toMatchObject({
      ok: true,
      value: { pages: 0 },
    });
    expect((await look(view.slug)).verdict).toBe('ready');
    await nameProfile(services, SAM, { profile: name, collection: SLUG });
    expect((await look(view.slug)).verdict).toBe('held');
    // A page that comes in is held to it too, and the house's own moves on without it.
    expect((await page(faint)).verdict).toBe('held');
    await setStandard(services, SAM, { profile, version: (await now()).version, selection: DEFAULT_PROFILE });
    expect((await look(view.slug)).verdict).toBe('held');
    await nameProfile(services, SAM, { profile: null, collection: SLUG });
    expect((await look(view.slug)).verdict).toBe('ready');
    expect(await nameProfile(services, INES, { profile: null, collection: SLUG })).toMatchObject({
      ok: false,
      problem: { code: 'not-allowed' },
    });
    expect(await nameProfile(services, SAM, { profile: null })).toMatchObject({ ok: false, problem: { code: 'declined' } });
    await nameProfile(services, SAM, { profile: null, collection: SLUG, contentType: 'assignment' });
  });

  test('words of the house are an input of the audit: pages are audited again with them', async () => {
    const view = await page('<h2>Wax</h2><p>The chart: <a href="https://larkmoor.example/c">Towpath sheet</a></p>');
    expect(rulesOf(view)).not.toContain('links/vague');
    await setStandard(services, SAM, { profile, version: (await now()).version, vocabulary: { vagueLinks: ['towpath sheet'] } });
    expect(await jobsFor(view)).toBe(1);
    await auditAgain(services, THE_SYSTEM, { pageId: view.pageId });
    expect(rulesOf(await look(view.slug))).toContain('links/vague');
  });
});
