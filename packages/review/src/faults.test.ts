import { writing, lockPage } from '@inkwell/store';
import {
  endException,
  endExceptions,
  fix,
  fixAllCertain,
  ledger,
  letStand,
  NOBODY,
  rule,
  saveSource,
  shelf,
  signOff,
  takeBackRuling,
  THE_SYSTEM,
  undo,
  type Desk,
} from './index.ts';
import { bench, INES, RUTH, SAM } from './testing/bench.ts';

const { services, db, SLUG, at, page, look, onDay } = bench();

afterEach(() => onDay(null));

const QUESTION = '<h2>A</h2><p>The chart of combs is <a href="https://larkmoor.example/c">here</a>.</p>';
const HOLDS = '<h2>A</h2><p>A <img src="hive.png"></p>';
const REASON = 'The drawing is being redrawn.';
const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const asked = (view: Desk) => ({ ...at(view), findingId: view.notes[0]!.id });

/** A page with one must that is let stand until a day, signed off. */
async function signedWithException(until: string): Promise<Desk> {
  const view = await page(HOLDS);
  await letStand(services, INES, { ...asked(view), reason: REASON, until });
  expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: true });
  return look(view.slug);
}

describe('reading', () => {
  test('under a constant writer, text, revision number, version and findings always belong together', async () => {
    const start = await page('<h2>Revision 1</h2><p>x</p>');
    let writing = true;
    let made = 1;
    const writer = (async () => {
      for (let view = start; writing; view = await look(start.slug)) {
        made = view.revision.number + 1;
        await saveSource(services, INES, { ...at(view), html: `<h2>Revision ${made}</h2><p>x</p>${'<h3></h3><p>y</p>'.repeat(made % 7)}` });
      }
    })();
    const torn: string[] = [];
    for (let read = 0; read < 120; read++) {
      const view = await look(start.slug);
      const said = Number(/Revision (\d+)/.exec(view.html)![1]);
      const blank = view.notes.filter((note) => note.rule === 'headings/blank').length;
      if (said !== view.revision.number || blank !== (said === 1 ? 0 : said % 7))
        torn.push(`text of ${said}, number ${view.revision.number}, ${blank} findings`);
    }
    writing = false;
    await writer;
    expect(made).toBeGreaterThan(5);
    expect(torn).toEqual([]);
  }, 60_000);

  test('writes nothing, also when an exception has run out', async () => {
    onDay('2026-11-01');
    const view = await signedWithException('2026-11-20');
    onDay('2026-11-21');
    const before = await db().selectFrom('standing_changes').selectAll().where('page_id', '=', view.pageId).execute();
    await look(view.slug);
    await shelf(services, INES);
    await ledger(services, INES, { collection: SLUG });
    expect(await db().selectFrom('standing_changes').selectAll().where('page_id', '=', view.pageId).execute()).toEqual(before);
    expect((await look(view.slug)).version).toBe(view.version);
  });

  test('nobody, and who has no part in a collection, is told that nothing is there', async () => {
    const elsewhere = { ...INES, memberships: [{ collection: 999_999_999, role: 'administrator' as const }] };
    for (const actor of [NOBODY, elsewhere, { ...INES, disabled: true }]) {
      expect(await ledger(services, actor, { collection: SLUG })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
      const shown = await shelf(services, actor);
      expect(shown.ok && shown.value).toEqual([]);
    }
  });
});

describe('whatever opens a finding again lapses the sign-off', () => {
  test('an exception that is ended', async () => {
    const view = await signedWithException(dayFromNow(30));
    await endException(services, INES, asked(view));
    expect(await look(view.slug)).toMatchObject({
      verdict: 'held',
      release: 'lapsed',
      signOff: { lapsed: { because: 'decision', by: 'Ines Calder' } },
    });
  });

  test('a ruling that is taken back', async () => {
    const view = await page(QUESTION);
    await rule(services, INES, { ...asked(view), answer: 'no problem' });
    await signOff(services, RUTH, at(await look(view.slug)));
    await takeBackRuling(services, INES, asked(await look(view.slug)));
    expect(await look(view.slug)).toMatchObject({ verdict: 'judge', release: 'lapsed' });
  });

  test('an exception that runs out: at once on every screen, and written down by the system', async () => {
    onDay('2026-11-01');
    const view = await signedWithException('2026-11-20');
    const ledgerRow = async () => {
      const book = await ledger(services, INES, { collection: SLUG });
      return book.ok ? book.value.pages.find((row) => row.slug === view.slug) : null;
    };
    onDay('2026-11-20');
    expect(await ledgerRow()).toMatchObject({ verdict: 'ready', release: 'signed off', tally: { must: 0 } });
    onDay('2026-11-21');
    expect(await ledgerRow()).toMatchObject({ verdict: 'held', release: 'lapsed', tally: { must: 1 } });
    expect(await endExceptions(services, INES)).toMatchObject({ ok: false });
    expect(await endExceptions(services, THE_SYSTEM)).toMatchObject({ ok: true });
    expect(await ledgerRow()).toMatchObject({ verdict: 'held', release: 'lapsed', tally: { must: 1 } });
    const last = await db()
      .selectFrom('standing_changes')
      .select(['standing', 'because', 'made_by'])
      .where('page_id', '=', view.pageId)
      .orderBy('id', 'desc')
      .limit(1)
      .executeTakeFirst();
    expect(last).toEqual({ standing: 'open', because: 'exception ran out', made_by: 'system' });
    const ended = await db().selectFrom('exceptions').select(['ended_by']).where('finding_id', '=', view.notes[0]!.id).execute();
    expect(ended).toEqual([{ ended_by: 'system' }]);
  });

  test('signing asks the gate under the lock, by the day it is, whatever any view wrote', async () => {
    onDay('2026-11-01');
    const view = await page(HOLDS);
    await letStand(services, INES, { ...asked(view), reason: REASON, until: '2026-11-20' });
    const ready = await look(view.slug);
    onDay('2026-11-21');
    expect(await signOff(services, RUTH, at(ready))).toMatchObject({ ok: false, problem: { code: 'held' } });
    expect(await look(view.slug)).toMatchObject({ release: 'draft', verdict: 'held' });
  });

  test('a day ends in the house’s time zone', async () => {
    await db().updateTable('house').set({ time_zone: 'Pacific/Auckland' }).execute();
    try {
      const late: typeof services = { ...services, db: db(), now: () => new Date('2026-11-20T12:00:00Z') };
      const view = await page(HOLDS);
      // In Auckland it is the 21st already.
      expect(await letStand(late, INES, { ...asked(view), reason: REASON, until: '2026-11-20' })).toMatchObject({
        ok: false,
        problem: { why: expect.stringContaining('has passed') as unknown },
      });
    } finally {
      await db().updateTable('house').set({ time_zone: 'Europe/London' }).execute();
    }
  });
});

describe('decisions', () => {
  test('of two at once on one finding the second is told what the first decided', async () => {
    const view = await page(QUESTION);
    const answers = await Promise.all(
      (['no problem', 'stands'] as const).map((answer, i) => rule(services, [INES, SAM][i]!, { ...asked(view), answer })),
    );
    const lost = answers.filter((one) => !one.ok);
    expect(lost).toHaveLength(1);
    const now = (await look(view.slug)).notes[0]!;
    expect(lost[0]).toMatchObject({
      problem: { code: 'conflict', decided: [{ finding: now.id, standing: now.standing, by: now.ruling!.by }] },
    });
    expect((await db().selectFrom('rulings').selectAll().where('finding_id', '=', now.id).execute()).length).toBe(1);
  });

  test('letting stand, ending and letting stand again never ends in a fault, alone or in a race', async () => {
    const view = await page(HOLDS);
    const stand = (from: Desk) => letStand(services, INES, { ...asked(from), reason: REASON, until: dayFromNow(20) });
    await stand(view);
    await endException(services, INES, asked(await look(view.slug)));
    expect(await stand(await look(view.slug))).toMatchObject({ ok: true });
    await endException(services, INES, asked(await look(view.slug)));
    const open = await look(view.slug);
    const race = await Promise.all([
      stand(open),
      stand(open),
      endException(services, INES, asked(open)),
      fix(services, SAM, { ...asked(open), remedy: 'decorative', inputs: {} }),
    ]);
    expect(race.filter((one) => one.ok)).toHaveLength(1);
    for (const one of race) if (!one.ok) expect(['conflict', 'nothing-to-do', 'not-found']).toContain(one.problem.code);
  });

  test('on different findings of one page they do not stand in each other’s way; a sign-off rests on all of them', async () => {
    const view = await page(`${QUESTION}<p>A <img src="hive.png"></p>`);
    const [question, image] = [view.notes.find((note) => note.outcome === 'cantTell')!, view.notes.find((note) => note.weight === 'must')!];
    const both = await Promise.all([
      rule(services, INES, { ...at(view), findingId: question.id, answer: 'no problem' }),
      letStand(services, SAM, { ...at(view), findingId: image.id, reason: REASON, until: dayFromNow(20) }),
    ]);
    expect(both.map((one) => one.ok)).toEqual([true, true]);
    expect(await signOff(services, RUTH, at(view))).toMatchObject({ ok: false, problem: { code: 'conflict' } });
    expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: true });
  });

  test('undo pressed by two at once undoes once', async () => {
    const view = await page('<h2>One</h2>');
    await saveSource(services, INES, { ...at(view), html: '<h2>Two</h2>' });
    await saveSource(services, INES, { ...at(await look(view.slug)), html: '<h2>Three</h2>' });
    const seen = await look(view.slug);
    const both = await Promise.all([undo(services, INES, at(seen)), undo(services, SAM, at(seen))]);
    expect(both.filter((one) => one.ok)).toHaveLength(1);
    expect((await look(view.slug)).html).toBe('<h2>Two</h2>');
  });

  test('a running decision makes an expiry wait, and the other way round; both are right in the end', async () => {
    onDay('2026-11-01');
    const view = await signedWithException('2026-11-20');
    onDay('2026-11-21');
    let release = () => {};
    const held = writing(db(), async (trx) => {
      await lockPage(trx, view.pageId);
      await new Promise<void>((resolve) => (release = resolve));
    });
    const expiry = endExceptions(services, THE_SYSTEM);
    const again = letStand(services, INES, { ...asked(view), reason: REASON, until: '2026-12-20' });
    await new Promise((resolve) => setTimeout(resolve, 80));
    release();
    await held;
    await Promise.all([expiry, again]);
    const now = await look(view.slug);
    const inForce = await db()
      .selectFrom('exceptions')
      .selectAll()
      .where('finding_id', '=', view.notes[0]!.id)
      .where('ended_at', 'is', null)
      .execute();
    expect([now.release, inForce.length]).toEqual(['lapsed', now.notes[0]!.standing === 'excepted' ? 1 : 0]);
  });
});

describe('twins', () => {
  const FOUR = '<h2>A</h2><p>one</p><h2></h2><p>two</p><h2></h2><p>three</p><h2></h2><p>four</p><h2></h2><p>five</p>';

  test('of four equal empty headings all go at once', async () => {
    const view = await page(FOUR);
    expect(await fixAllCertain(services, INES, at(view))).toMatchObject({ ok: true, value: { fixed: 4 } });
    expect((await look(view.slug)).html).toBe('<h2>A</h2><p>one</p><p>two</p><p>three</p><p>four</p><p>five</p>');
  });

  test.each([0, 1, 2, 3])('the one that is let stand stays, and no other (the %ith)', async (which) => {
    const view = await page(FOUR);
    const blank = view.notes.filter((note) => note.rule === 'headings/blank');
    await letStand(services, INES, { ...at(view), findingId: blank[which]!.id, reason: REASON, until: dayFromNow(20) });
    await fixAllCertain(services, INES, at(await look(view.slug)));
    const after = await look(view.slug);
    const words = ['one', 'two', 'three', 'four', 'five'];
    expect(after.html).toBe(`<h2>A</h2>${words.map((word, i) => `<p>${word}</p>${i === which ? '<h2></h2>' : ''}`).join('')}`);
    expect(after.notes.filter((note) => note.rule === 'headings/blank').map((note) => [note.id, note.standing])).toEqual([
      [blank[which]!.id, 'excepted'],
    ]);
  });

  test('fixed one by one, each step fixes the one that was meant and leaves the identity of the rest', async () => {
    const first = await page(FOUR);
    let ids = first.notes.filter((note) => note.rule === 'headings/blank').map((note) => note.id);
    for (const which of [2, 0, 1, 0]) {
      const view = await look(first.slug);
      await fix(services, INES, { ...at(view), findingId: ids[which]!, remedy: 'remove', inputs: {} });
      ids = ids.filter((_, i) => i !== which);
      expect((await look(first.slug)).notes.filter((note) => note.rule === 'headings/blank').map((note) => note.id)).toEqual(ids);
    }
  });
});

test('a page with hundreds of failures stands first in the Ledger, and the next page can be asked for', async () => {
  const crowded = await page(
    `<h2>A</h2><p>x</p>${Array.from({ length: 230 }, (_none, i) => `<p>A <img src="hive-${i}.png"></p>`).join('')}`,
  );
  await page('<h2>A</h2><p>x</p>');
  const first = await ledger(services, INES, { collection: SLUG });
  expect(first.ok && first.value.pages[0]!.slug).toBe(crowded.slug);
});
