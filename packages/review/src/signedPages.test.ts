import { PROFILES } from '@inkwell/core';
import { kindIds, lockPage, writing } from '@inkwell/store';
import { sql } from 'kysely';
import {
  auditAgain,
  changePage,
  endException,
  letStand,
  nameProfile,
  newProfile,
  rule,
  saveSource,
  setContentType,
  setElsewhere,
  setSigning,
  signOff,
  takeBackRuling,
  takeOut,
  takePages,
  THE_SYSTEM,
  type Desk,
} from './index.ts';
import { INES, RUTH, SAM } from './testing/bench.ts';
import { ownBench } from './testing/ownDatabase.ts';

const { services, db, SLUG, at, page, look } = ownBench('signed');

const GOOD = '<h2>Boxes</h2><p>A hive has a floor, boxes and a roof.</p>';
const BAD = '<h2>Boxes</h2><p>A <img src="hive.png"></p>';
const QUESTION = '<h2>A</h2><p>The chart of combs is <a href="https://larkmoor.example/c">here</a>.</p>';
const REASON = 'The drawing is being redrawn.';
const soon = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10);

const inForce = (view: Desk) =>
  db().selectFrom('sign_offs').selectAll().where('page_id', '=', view.pageId).where('lapsed_at', 'is', null).execute();

describe('a sign-off in force names the newest text of a page that is ready', () => {
  test('signed and saved at the same moment, 20 times', async () => {
    for (let round = 0; round < 20; round++) {
      const view = await page(GOOD);
      await Promise.all([signOff(services, RUTH, at(view)), saveSource(services, INES, { ...at(view), html: BAD })]);
      const now = await look(view.slug);
      if (now.revision.number === 1) continue;
      expect([now.verdict, now.release === 'signed off', (await inForce(view)).length]).toEqual(['held', false, 0]);
    }
  });

  test('a page of another content type, held to more, lapses, and says by what', async () => {
    const strict = { ...PROFILES['wcag22-aaa']!, name: 'Exams', holds: ['must', 'should', 'consider'] as const };
    expect(await newProfile(services, SAM, { name: 'Exams', selection: strict })).toMatchObject({ ok: true });
    expect(await nameProfile(services, SAM, { profile: 'Exams', contentType: 'exam' })).toMatchObject({ ok: true });
    const low = '<h2>A</h2><p style="color:#767676;background:#fff">A hive has a floor, boxes and a roof.</p>';
    for (const retype of [
      (view: Desk) => changePage(services, INES, { ...at(view), contentType: 'exam' }),
      (view: Desk) => setContentType(services, INES, { collection: SLUG, pages: [view.slug], contentType: 'exam' }),
    ]) {
      const view = await page(low);
      expect(await signOff(services, RUTH, at(view))).toMatchObject({ ok: true });
      expect(await retype(await look(view.slug))).toMatchObject({ ok: true });
      const now = await look(view.slug);
      expect([now.verdict, now.release, (await inForce(view)).length]).toEqual(['held', 'lapsed', 0]);
    }
  });

  test('a page that is called otherwise is to be signed anew', async () => {
    const view = await page(GOOD);
    await signOff(services, RUTH, at(view));
    expect(await changePage(services, INES, { ...at(await look(view.slug)), title: 'Floors and roofs' })).toMatchObject({ ok: true });
    expect((await look(view.slug)).release).toBe('lapsed');
  });
});

describe('two signatures', () => {
  beforeAll(async () => void (await setSigning(services, SAM, { signatures: 2, fixerMaySign: true, looksNeeded: false })));
  afterAll(async () => void (await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: false })));

  test('given before a lapse, neither counts after it', async () => {
    const view = await page(QUESTION);
    const finding = { findingId: view.notes[0]!.id };
    await rule(services, INES, { ...at(view), ...finding, answer: 'no problem' });
    await signOff(services, RUTH, at(await look(view.slug)));
    expect(await signOff(services, SAM, at(await look(view.slug)))).toMatchObject({ ok: true, value: { wanted: 0 } });
    await takeBackRuling(services, INES, { ...at(await look(view.slug)), ...finding });
    await rule(services, INES, { ...at(await look(view.slug)), ...finding, answer: 'no problem' });
    expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: true, value: { wanted: 1 } });
    expect((await look(view.slug)).release).toBe('lapsed');
  });

  test('the first is spent by a decision before the second; an audit that says the same takes neither away', async () => {
    const view = await page(QUESTION);
    const finding = { findingId: view.notes[0]!.id };
    await rule(services, INES, { ...at(view), ...finding, answer: 'no problem' });
    await signOff(services, RUTH, at(await look(view.slug)));
    await sql`update audits set inputs = 'of before' where id = (select audit_id from pages where id = ${view.pageId})`.execute(db());
    expect(await auditAgain(services, THE_SYSTEM, { pageId: view.pageId })).toMatchObject({ ok: true, value: 'audited' });
    expect(await signOff(services, SAM, at(await look(view.slug)))).toMatchObject({ ok: true, value: { wanted: 0 } });
    const other = await page(QUESTION);
    const asked = { findingId: other.notes[0]!.id };
    await rule(services, INES, { ...at(other), ...asked, answer: 'no problem' });
    await signOff(services, RUTH, at(await look(other.slug)));
    await takeBackRuling(services, INES, { ...at(await look(other.slug)), ...asked });
    await rule(services, INES, { ...at(await look(other.slug)), ...asked, answer: 'no problem' });
    expect(await signOff(services, SAM, at(await look(other.slug)))).toMatchObject({ ok: true, value: { wanted: 1 } });
  });
});

describe('decisions', () => {
  test('a colleague’s exception is seen behind 202 changes of other findings', async () => {
    const view = await page('<h2>A</h2><p>A <img src="hive.png"></p><p>The chart is <a href="https://larkmoor.example/c">here</a>.</p>');
    const [first, other] = view.notes;
    for (let i = 0; i < 101; i++) {
      const away = await setElsewhere(services, INES, { ...at(await look(view.slug)), findingId: other!.id, elsewhere: true });
      expect(away).toMatchObject({ ok: true });
      await setElsewhere(services, INES, { ...at(await look(view.slug)), findingId: other!.id, elsewhere: false });
    }
    await letStand(services, SAM, { ...at(await look(view.slug)), findingId: first!.id, reason: REASON, until: soon });
    const late = await endException(services, INES, { ...at(view), findingId: first!.id });
    expect(late).toMatchObject({ ok: false, problem: { code: 'conflict', decided: [{ finding: first!.id, standing: 'excepted' }] } });
    expect((await look(view.slug)).notes.find((note) => note.id === first!.id)!.standing).toBe('excepted');
  }, 60_000);

  test('exceptions for single places stand beside each other, settle the finding together, and can be ended each', async () => {
    const view = await page(`<h2>A</h2>${'<p style="color:#999">A hive has a floor, boxes and a roof.</p>'.repeat(3)}`);
    const note = view.notes.find((one) => one.placeNumbers.length === 3)!;
    const [a, b, c] = note.placeNumbers;
    const stand = async (places: number[], until: string) =>
      letStand(services, SAM, { ...at(await look(view.slug)), findingId: note.id, places, reason: REASON, until });
    const standing = async () => (await look(view.slug)).notes.find((one) => one.id === note.id)!.standing;
    const later = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
    expect(await stand([a!], soon)).toMatchObject({ ok: true, value: { standing: 'open' } });
    expect(await stand([b!], later)).toMatchObject({ ok: true, value: { standing: 'open' } });
    const reached = await sql<{ places: number[] }>`select places from exceptions where finding_id = ${note.id} and ended_at is null
      order by id`.execute(db());
    expect(reached.rows.map((row) => row.places)).toEqual([[a], [b]]);
    expect(await stand([c!], later)).toMatchObject({ ok: true, value: { standing: 'excepted' } });
    const end = async (places?: number[]) =>
      endException(services, SAM, { ...at(await look(view.slug)), findingId: note.id, ...(places ? { places } : {}) });
    expect(await end([b!])).toMatchObject({ ok: true, value: { standing: 'open' } });
    expect(await standing()).toBe('open');
    expect(await end()).toMatchObject({ ok: true });
    expect(await end()).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  });
});

test('what a transaction that was undone brought is not taken for known', async () => {
  const kind = { name: 'a kind of this test', rule: 'headings/blank', family: 'headings', weight: 'must', outcome: 'failed' } as const;
  const asked = [{ ...kind, criteria: null, measured: {} }];
  const undone = writing(db(), async (trx) => {
    await kindIds(trx, db(), asked, () => null);
    await kindIds(trx, db(), asked, () => null);
    throw new Error('undone');
  });
  await expect(undone).rejects.toThrow('undone');
  const ids = await writing(db(), (trx) => kindIds(trx, db(), asked, () => null));
  const there = await db().selectFrom('kinds').select('id').where('name', '=', kind.name).execute();
  expect(there.map(({ id }) => id)).toEqual([ids.get(kind.name)]);
});

test('a page that was taken out, or whose collection was, can be neither locked nor changed nor signed by its id', async () => {
  const view = await page(GOOD);
  expect(await takePages(services, INES, { collection: SLUG, pages: [view.slug] })).toMatchObject({ ok: true });
  const tries = async () => [
    await saveSource(services, INES, { ...at(view), html: BAD }),
    await signOff(services, RUTH, at(view)),
    await changePage(services, INES, { ...at(view), title: 'Roofs' }),
  ];
  for (const one of await tries()) expect(one).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await writing(db(), (trx) => lockPage(trx, view.pageId))).toBeUndefined();
  const other = await page(GOOD);
  expect(await takeOut(services, SAM, { collection: SLUG })).toMatchObject({ ok: true });
  expect(await signOff(services, RUTH, at(other))).toMatchObject({ ok: false, problem: { code: 'not-found' } });
});
