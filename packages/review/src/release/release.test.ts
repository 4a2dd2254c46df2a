import { sql } from 'kysely';
import {
  askPublication,
  callPublicationOff,
  desk,
  letStand,
  lookedAt,
  LOOKS,
  saveSource,
  setSigning,
  showGate,
  signMany,
  signOff,
} from '../index.ts';
import { bench, INES, RUTH, SAM, UMA } from '../testing/bench.ts';
import { GOOD, value, hostBench } from '../testing/hostBench.ts';

const on = bench();
const { services, db, at, page, look, SLUG, collection, onDay } = on;
const { there, shownAt, both, signed, publish, run, releaseOf, stateOf, wrong } = hostBench(on);

describe('a page goes out', () => {
  test('is published when the public side reads so, byte for byte, and taken off again', async () => {
    const { view, address } = await signed('<h2>Öffnung</h2>\n<p>A “hive”\u00a0&amp; its boxes.</p>\n');
    expect(await publish(view.pageId)).toEqual({ done: 1, left: [] });
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect(await releaseOf(view.slug)).toBe('published');
    expect(await shownAt(address)).toContain('<!--content--><h2>Öffnung</h2>\n<p>A “hive”\u00a0&amp; its boxes.</p>\n<!--/content-->');
    value(await askPublication(services, RUTH, { which: [view.pageId], act: 'unpublish', at: null }));
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect([await releaseOf(view.slug), (await shownAt(address)).includes('Öffnung')]).toEqual(['signed off', false]);
  });

  test('what was fixed here goes there as a draft first, under the tag it was seen with', async () => {
    const { view, remote, address } = await both();
    const text = GOOD.replace('Boxes', 'Wooden boxes');
    value(await saveSource(services, INES, { ...at(view), html: text }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    await run(view.pageId);
    expect([(await there('GET', remote)).parts[0]!.html, (await shownAt(address)).includes('Wooden boxes')]).toEqual([text, true]);
  });

  test('pages of several parts keep them', async () => {
    const parts = [
      { name: 'main', html: '<h2>One</h2>\n<p>Text.</p>\n' },
      { name: 'aside', html: '<h2>Beside</h2>\n<p>Note.</p>\n' },
    ];
    const made = await there('POST', 'api/places/bees/pages', {
      address: 'parts.html',
      title: 'Parts',
      kind: 'lesson',
      parts,
    });
    await both();
    const found = await db()
      .selectFrom('host_pages')
      .select('page_id')
      .where('remote', '=', made.id)
      .where('collection_id', '=', collection())
      .executeTakeFirstOrThrow();
    const { slug } = await db().selectFrom('pages').select('slug').where('id', '=', found.page_id).executeTakeFirstOrThrow();
    const view = await look(slug);
    const html = `${parts[0]!.html}<!-- part: aside -->\n${parts[1]!.html}`;
    expect(view.html).toBe(html);
    value(await saveSource(services, INES, { ...at(view), html: html.replace('Note.', 'A longer note.') }));
    value(await signOff(services, RUTH, at(await look(slug))));
    await publish(view.pageId);
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect((await there('GET', `api/pages/${made.id}`)).parts).toEqual([
      parts[0],
      { name: 'aside', html: '<h2>Beside</h2>\n<p>A longer note.</p>\n' },
    ]);
  });

  test('goes out at a time, and can be called off until then', async () => {
    const { view } = await signed();
    await publish(view.pageId, new Date(Date.now() + 3_600_000));
    const job = await sql<{
      late: boolean;
    }>`select run_after > now() + interval '50 minutes' as late from jobs where kind = 'publish a page'
      order by id desc limit 1`.execute(db());
    expect(job.rows).toEqual([{ late: true }]);
    expect(value(await callPublicationOff(services, RUTH, { which: [view.pageId] }))).toMatchObject({ done: 1 });
    expect(await run(view.pageId)).toMatchObject({ state: 'called off' });
    expect(await releaseOf(view.slug)).toBe('signed off');
  });

  test('who may not publish is refused; what is not signed off as it stands is left and named', async () => {
    const { view } = await both();
    expect(await askPublication(services, INES, { which: [view.pageId], act: 'publish', at: null })).toMatchObject({ ok: false });
    expect(await publish(view.pageId)).toEqual({ done: 0, left: [{ title: view.title, why: 'It is not signed off as it stands.' }] });
  });
});

describe('what goes wrong there is told, and nothing is called published that is not', () => {
  const cases = [
    ['down', /broke off|does not answer/],
    ['slow', /in time/],
    ['nonsense', /no JSON/],
    ['truncates', /cut short/],
    ['lies', /shows/],
  ] as const;
  test.each(cases)('a host that is or does: %s', async (fault, why) => {
    const { view } = await signed();
    await publish(view.pageId);
    wrong(fault);
    process.env.INKWELL_HOST_SECONDS = '0.15';
    const after = await run(view.pageId);
    delete process.env.INKWELL_HOST_SECONDS;
    expect([after.state, after.problem]).toEqual(['failed', expect.stringMatching(why)]);
    expect([await releaseOf(view.slug), after.tries]).toEqual(['signed off', 4]);
    // The host said it published these: they stand with what differs there until they are read back or taken off.
    const unread = ['truncates', 'lies'].includes(fault);
    const drifted = value(await showGate(services, RUTH, { group: 'drifted', collection: SLUG, after: null })).rows;
    expect(drifted.some(({ id }) => id === view.pageId)).toBe(unread);
    // Once it is well again, it goes out.
    wrong('none');
    await publish(view.pageId);
    expect([(await run(view.pageId)).state, await releaseOf(view.slug)]).toEqual(['done', 'published']);
  });

  test('a page that shows otherwise than it was sent is taken off', async () => {
    const { view, address } = await signed();
    await publish(view.pageId);
    wrong('truncates');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed' });
    wrong('none');
    expect(await shownAt(address)).toContain('Boxes');
    expect(value(await askPublication(services, RUTH, { which: [view.pageId], act: 'unpublish', at: null })).done).toBe(1);
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect([(await shownAt(address)).includes('Boxes'), (await stateOf(view.pageId)).drifted_at]).toEqual([false, null]);
  });

  test('a host that says it took a page off, and did not', async () => {
    const { view } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    value(await askPublication(services, RUTH, { which: [view.pageId], act: 'unpublish', at: null }));
    wrong('lies');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('still shows it') });
    expect(await releaseOf(view.slug)).toBe('published');
  });

  test('a time that is none is refused', async () => {
    const { view } = await signed();
    const wish = { which: [view.pageId], act: 'publish' as const, at: new Date('2026-99-99T00:00:00Z') };
    expect(await askPublication(services, RUTH, wish)).toMatchObject({ ok: false, problem: { code: 'bad-page' } });
  });

  test('a host that shows yesterday’s page with 200', async () => {
    const { view } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    value(await saveSource(services, INES, { ...at(await look(view.slug)), html: `${GOOD}\n<p>Today.</p>` }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    wrong('yesterday');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('another text') });
    expect(await releaseOf(view.slug)).toBe('signed off');
  });

  test('a page that is changed there between the check and publication is not published, and nothing is written over it', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    wrong('changed');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('changed on the host') });
    expect([(await there('GET', remote)).public, (await there('GET', remote)).parts[0]!.html]).toEqual([null, '<p>x</p>']);
  });

  test('a page that is changed here between the sign-off and its time stays in', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    value(await saveSource(services, INES, { ...at(await look(view.slug)), html: `${GOOD}<p>More.</p>` }));
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('at revision 2 by now') });
    expect((await there('GET', remote)).public).toBeNull();
  });

  test('an exception that runs out before its time keeps the page in', async () => {
    const { view, remote } = await both('<h2>Hive</h2><p>A <img src="hive.png"></p>');
    const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
    value(await letStand(services, INES, { ...at(view), findingId: view.notes[0]!.id, reason: 'It is being redrawn.', until: tomorrow }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId, new Date(Date.now() + 5 * 86_400_000));
    onDay(new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10));
    const after = await run(view.pageId);
    onDay(null);
    expect([after.state, (await there('GET', remote)).public]).toEqual(['failed', null]);
  });
});

describe('signing', () => {
  afterAll(async () => void (await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: false })));

  test('two signatures where the house says so, by different people; a new text takes the first away', async () => {
    value(await setSigning(services, SAM, { signatures: 2, fixerMaySign: true, looksNeeded: false }));
    const view = await page(GOOD);
    expect(value(await signOff(services, RUTH, at(view)))).toMatchObject({ wanted: 1 });
    expect(value(await signOff(services, RUTH, at(await look(view.slug))))).toMatchObject({ wanted: 1 });
    expect(await releaseOf(view.slug)).toBe('draft');
    value(await saveSource(services, INES, { ...at(await look(view.slug)), html: `${GOOD}<p>More.</p>` }));
    expect(value(await signOff(services, SAM, at(await look(view.slug))))).toMatchObject({ wanted: 1 });
    expect(value(await signOff(services, RUTH, at(await look(view.slug))))).toMatchObject({ wanted: 0 });
    expect(await releaseOf(view.slug)).toBe('signed off');
  });

  test('not by whoever worked on it, where the house says so', async () => {
    value(await setSigning(services, SAM, { signatures: 1, fixerMaySign: false, looksNeeded: false }));
    const view = await page(GOOD);
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>More.</p>` }));
    const now = await look(view.slug);
    expect(await signOff(services, INES, at(now))).toMatchObject({ ok: false, problem: { code: 'held' } });
    expect(await signOff(services, RUTH, at(now))).toMatchObject({ ok: true });
  });

  test('only once everything was looked at, where the house says so; a new revision is to be looked at again', async () => {
    value(await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: true }));
    const view = await page(GOOD);
    for (const item of LOOKS) value(await lookedAt(services, RUTH, { page: view.pageId, revision: 1, item, done: item !== 'menu' }));
    expect(await signOff(services, RUTH, at(view))).toMatchObject({
      ok: false,
      problem: { what: 'Not everything on this page has been looked at' },
    });
    value(await lookedAt(services, RUTH, { page: view.pageId, revision: 1, item: 'menu', done: true }));
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>More.</p>` }));
    expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: false });
    expect(await lookedAt(services, RUTH, { page: view.pageId, revision: 1, item: 'menu', done: true })).toMatchObject({ ok: false });
    expect(await lookedAt(services, UMA, { page: view.pageId, revision: 2, item: 'menu', done: true })).toMatchObject({ ok: false });
    value(await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: false }));
  });

  test('many at once: what cannot be signed is left and named', async () => {
    const [good, held] = [await page(GOOD), await page('<h2></h2>')];
    expect(value(await signMany(services, RUTH, { which: [good.pageId, held.pageId] }))).toEqual({
      done: 1,
      left: [{ title: held.title, why: 'A must-fix is still open on it.' }],
    });
    const shown = value(await showGate(services, RUTH, { group: 'held', collection: SLUG, after: null }));
    const row = shown.rows.find(({ id }) => id === held.pageId)!;
    expect(row.holders[0]).toMatchObject({ many: 1, asks: false });
    expect((await desk(services, INES, { collection: SLUG, page: good.slug })).ok).toBe(true);
  });
});
