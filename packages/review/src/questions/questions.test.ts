import { placeFiles } from '@inkwell/store';
import {
  answersGiven,
  giveAnswer,
  newProfile,
  nameProfile,
  questions,
  saveSource,
  settleAnswer,
  showMessages,
  takeAnswerBack,
  type Actor,
  type QuestionView,
} from '../index.ts';
import { DEFAULT_PROFILE } from '@inkwell/core';
import { bench, INES, personAs, RUTH, SAM, UMA } from '../testing/bench.ts';

const { services, db, look, SLUG, page, collection } = bench();
const TOM = personAs('reviewer', 'test-tom', 'Tomas Vell');

beforeAll(async () => {
  await db()
    .insertInto('people')
    .values({ id: TOM.id, name: TOM.name })
    .onConflict((on) => on.doNothing())
    .execute();
  for (const { id, memberships } of [INES, TOM, UMA])
    if (!(await db().selectFrom('memberships').select('id').where('person_id', '=', id).executeTakeFirst()))
      await db().insertInto('memberships').values({ person_id: id, collection_id: null, role: memberships[0]!.role }).execute();
  await db().updateTable('people').set({ email: 'uma@larkmoor.example' }).where('id', '=', UMA.id).execute();
});

/** Somebody who sees this test's collection alone: other tests ask questions of their own. */
const here = (actor: Actor): Actor => ({ ...actor, memberships: [{ collection: collection(), role: actor.memberships[0]!.role }] });

async function asked(rule: string, actor: Actor = INES, waiting: 'anybody' | 'specialist' = 'anybody'): Promise<QuestionView[]> {
  const shown = await questions(services, here(actor), { waiting, rule, skip: [] });
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value.questions;
}

const IMAGE = 'images/true-to-picture';
const photo = (alt: string, title = 'Bees') =>
  `<h2>${title} in their hives</h2><p>What is said of them on this page.</p><p><img src="hive.png" alt="${alt}" width="600" height="400"></p>`;
const answer = (
  of: QuestionView,
  given: 'stands' | 'no problem' | 'not sure',
  reach: 'page' | 'collection' | 'everywhere' = 'collection',
) => ({
  finding: of.finding,
  page: of.page,
  same: of.same,
  answer: given,
  reach,
  reason: '',
});
const standing = async (slug: string, rule = IMAGE) => (await look(slug)).notes.find((note) => note.rule === rule)?.standing;

test('the same image with the same words is asked of once; the answer holds on all its pages, on a new one, and in a newer text', async () => {
  const pages = [];
  for (let nth = 0; nth < 4; nth++) pages.push(await page(photo('A hive of pine boards in an orchard', `Bees ${nth}`)));
  await page(photo('A hive of pine boards in a garden'));
  const all = await asked(IMAGE);
  const question = all.find(({ sentence }) => sentence.includes('orchard'))!;
  expect(all.filter(({ sentence }) => sentence.includes('orchard'))).toHaveLength(1);
  expect(question).toMatchObject({ many: 4, pages: 4, anywhere: true, yes: 'Yes, it has to be fixed' });
  expect(question.asking[0]!.first[0]).toMatchObject({ title: pages[0]!.title });

  const given = await giveAnswer(services, INES, answer(question, 'no problem'));
  expect(given).toMatchObject({ ok: true, value: { findings: 4, pages: 4, more: false, outcome: 'holds' } });
  for (const { slug } of pages) expect(await standing(slug)).toBe('ruled out');
  expect((await asked(IMAGE)).map(({ same }) => same)).not.toContain(question.same);
  // A page that comes later is not asked about; nor one whose text is another by now.
  const late = await page(photo('A hive of pine boards in an orchard', 'Late bees'));
  expect(await standing(late.slug)).toBe('ruled out');
  const before = await look(pages[0]!.slug);
  await saveSource(services, TOM, { pageId: before.pageId, version: before.version, html: `<p>New words before it.</p>${before.html}` });
  expect(await standing(before.slug)).toBe('ruled out');
  // Who said so, and where it holds, is told.
  const told = await answersGiven(services, here(INES), { before: null, rule: IMAGE });
  expect(told.ok && told.value.answers[0]).toMatchObject({
    answer: 'no problem',
    by: 'Ines Calder',
    pages: 5,
    findings: 5,
    state: 'in force',
  });
  // Taken back, all of it is asked again.
  const id = given.ok ? given.value.answer : 0;
  expect(await takeAnswerBack(services, INES, { answer: id })).toMatchObject({ ok: true, value: { findings: 5, pages: 5 } });
  expect((await asked(IMAGE)).find(({ same }) => same === question.same)).toMatchObject({ many: 5 });
  expect(await takeAnswerBack(services, INES, { answer: id })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
});

test('an answer narrowed to a page holds on it alone', async () => {
  const [one, two] = [await page(photo('Smoke over the frames', 'One')), await page(photo('Smoke over the frames', 'Two'))];
  const question = (await asked(IMAGE)).find(({ sentence }) => sentence.includes('Smoke'))!;
  expect(await giveAnswer(services, INES, answer(question, 'no problem', 'page'))).toMatchObject({ ok: true, value: { findings: 1 } });
  expect([await standing(one.slug), await standing(two.slug)]).toEqual(['ruled out', 'open']);
});

test('another image under the same name is another question, and so are other words for it', async () => {
  const { slug } = await page(photo('Eggs in their cells'));
  const question = (await asked(IMAGE)).find(({ sentence }) => sentence.includes('Eggs'))!;
  await giveAnswer(services, INES, answer(question, 'no problem'));
  await placeFiles(db(), collection(), [{ path: 'hive.png', mediaType: 'image/png', bytes: Buffer.from('another image') }]);
  const before = await look(slug);
  await saveSource(services, INES, { pageId: before.pageId, version: before.version, html: `${before.html}<p>More.</p>` });
  expect(await standing(slug)).toBe('open');
});

test('a question that is answered “yes” stays open as a failure and is asked no more; the evidence ends it', async () => {
  const { slug } = await page('<h2>Notes</h2><p>Before.</p><p><b>Note</b></p><p>Bees may be kept in a garden, but not in each.</p>');
  const question = (await asked('headings/imitated'))[0]!;
  expect(await giveAnswer(services, INES, answer(question, 'stands'))).toMatchObject({ ok: true });
  expect(await asked('headings/imitated')).toEqual([]);
  expect(await standing(slug, 'headings/imitated')).toBe('open');
  await page('<h2>Others</h2><p>Before.</p><p><b>Example</b></p><p>Bees may be kept in a garden, but not in each.</p>');
  const [second] = await asked('headings/imitated');
  const there = await look(second!.place.slug);
  await saveSource(services, INES, { pageId: there.pageId, version: there.version, html: there.html.replace(/<\/?b>/g, '') });
  expect(await asked('headings/imitated')).toEqual([]);
  expect(await giveAnswer(services, INES, answer(second!, 'no problem'))).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
});

test('whoever is not sure hands the question to a specialist, who is written to and whose word is taken', async () => {
  const { slug } = await page(photo('Brood in the third frame'));
  const question = (await asked(IMAGE)).find(({ sentence }) => sentence.includes('Brood'))!;
  await giveAnswer(services, INES, { ...answer(question, 'not sure'), reason: 'Is it brood, or honey under wax?' });
  expect((await asked(IMAGE)).map(({ same }) => same)).not.toContain(question.same);
  const [handed] = await asked(IMAGE, UMA, 'specialist');
  expect(handed).toMatchObject({ same: question.same, said: [{ by: 'Ines Calder', reason: 'Is it brood, or honey under wax?' }] });
  const messages = await showMessages(services, SAM, { before: null });
  expect(messages.ok && messages.value.find(({ address }) => address === 'uma@larkmoor.example')!.body).toContain('honey under wax');
  const given = await giveAnswer(services, UMA, answer(handed!, 'no problem'));
  expect(given).toMatchObject({ ok: true, value: { findings: 1 } });
  expect(await standing(slug)).toBe('ruled out');
  expect(await asked(IMAGE, UMA, 'specialist')).toEqual([]);
  // Taken back, it waits for a specialist again: that somebody was not sure still holds.
  await takeAnswerBack(services, UMA, { answer: given.ok ? given.value.answer : 0 });
  expect((await asked(IMAGE, UMA, 'specialist')).map(({ same }) => same)).toEqual([question.same]);
});

test('of two who answer at once one is taken, and the other is told', async () => {
  await page(photo('A swarm in a plum tree'));
  const question = (await asked(IMAGE)).find(({ sentence }) => sentence.includes('swarm'))!;
  const both = await Promise.all([
    giveAnswer(services, INES, answer(question, 'no problem')),
    giveAnswer(services, TOM, answer(question, 'stands')),
  ]);
  expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  const refusal = both.find((one) => !one.ok)!;
  expect(refusal).toMatchObject({ problem: { code: 'conflict', why: expect.stringMatching(/Ines Calder|Tomas Vell/) as string } });
});

test('where the house asks for two, the second answer settles it, or both go to a specialist', async () => {
  const name = `two-${process.pid}`;
  await newProfile(services, SAM, { name, selection: { ...DEFAULT_PROFILE, name, twoAnswers: [IMAGE] } });
  await nameProfile(services, SAM, { profile: name, collection: SLUG });
  await page(photo('Wax at the rim of a comb'));
  await page(photo('A drone beside a worker'));
  const of = async (words: string, actor: Actor) => (await asked(IMAGE, actor)).find(({ sentence }) => sentence.includes(words));
  const wax = (await of('Wax', INES))!;
  expect(await giveAnswer(services, INES, answer(wax, 'no problem'))).toMatchObject({
    ok: true,
    value: { findings: 0, outcome: 'waits for a second answer' },
  });
  // It is not put to her again; whoever else looks is asked, without being told what she said.
  expect(await of('Wax', INES)).toBeUndefined();
  expect((await of('Wax', TOM))!.said).toEqual([]);
  expect(await giveAnswer(services, INES, answer(wax, 'stands'))).toMatchObject({ ok: false });
  expect(await giveAnswer(services, TOM, answer(wax, 'no problem'))).toMatchObject({ ok: true, value: { findings: 1, outcome: 'holds' } });
  const drone = (await of('drone', INES))!;
  await giveAnswer(services, INES, answer(drone, 'no problem'));
  expect(await giveAnswer(services, TOM, answer(drone, 'stands'))).toMatchObject({ ok: true, value: { outcome: 'two answers apart' } });
  const [apart] = (await asked(IMAGE, UMA, 'specialist')).filter(({ same }) => same === drone.same);
  expect(apart!.said.map(({ reason }) => reason)).toContain('Ines Calder answered “no problem”, Tomas Vell “stands”.');
  const shown = await questions(services, UMA, { waiting: 'specialist', rule: IMAGE, skip: [] });
  expect(shown.ok && shown.value.agreement).toMatchObject({ agreed: expect.any(Number) as number, apart: expect.any(Number) as number });
  await nameProfile(services, SAM, { profile: null, collection: SLUG });
});

test('a kind that was answered “no problem” thirty times running is offered to be turned off; one “yes” ends that', async () => {
  const RULE = 'text/struck';
  const { slug } = await page('<p>The boat leaves at <s>ten</s> eleven on Sundays in the summer months.</p>');
  const [question] = await asked(RULE);
  expect(question!.place.slug).toBe(slug);
  const kind = async () => {
    const shown = await questions(services, here(SAM), { waiting: 'anybody', rule: RULE, skip: [] });
    return shown.ok ? shown.value.kinds.find(({ rule }) => rule === RULE)! : undefined;
  };
  const said = (many: number, given: 'stands' | 'no problem') =>
    db()
      .insertInto('answers')
      .values(
        Array.from({ length: many }, (_, nth) => ({
          same: `o-test ${nth}`,
          rule: RULE,
          answer: given,
          reason: '',
          collection_id: collection(),
          page_id: null,
          state: 'in force' as const,
          finding_id: null,
          made_by: INES.id,
        })),
      )
      .execute();
  await said(29, 'no problem');
  expect(await kind()).toMatchObject({ running: 29, mayGo: false });
  await said(1, 'no problem');
  expect(await kind()).toMatchObject({ running: 30, answered: 30, stands: 0, mayGo: true });
  await said(1, 'stands');
  expect(await kind()).toMatchObject({ running: 0, stands: 1, mayGo: false });
});

test('nobody answers who may not, nor beyond the collections they work in', async () => {
  const { slug } = await page(photo('A queen among her workers'));
  const question = (await asked(IMAGE)).find(({ sentence }) => sentence.includes('queen'))!;
  expect(await questions(services, RUTH, { waiting: 'anybody', rule: null, skip: [] })).toMatchObject({ ok: false });
  expect(await giveAnswer(services, RUTH, answer(question, 'no problem'))).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  expect(await giveAnswer(services, here(INES), answer(question, 'no problem', 'everywhere'))).toMatchObject({
    ok: false,
    problem: { code: 'declined' },
  });
  expect(await standing(slug)).toBe('open');
  // What is passed over is asked of later.
  const passed = await questions(services, here(INES), { waiting: 'anybody', rule: IMAGE, skip: [question.same] });
  expect(passed.ok && passed.value.questions.map(({ same }) => same)).not.toContain(question.same);
});

test('an answer that reaches more pages than one transaction takes is applied to the rest by a job, and taken back by one', async () => {
  const words = 'Frames in a row, seen from above';
  const first = await page(photo(words, 'Many'));
  const question = (await asked(IMAGE)).find(({ sentence }) => sentence.includes('Frames'))!;
  const copies = 230;
  // Pages beside it that ask the same, made without an audit each.
  await db()
    .transaction()
    .execute(async (trx) => {
      const source = await trx.selectFrom('pages').selectAll().where('id', '=', first.pageId).executeTakeFirstOrThrow();
      const { id: own, ...row } = source;
      const made = await trx
        .insertInto('pages')
        .values(
          Array.from({ length: copies }, (__, nth) => ({
            ...row,
            slug: `many-${nth}`,
            address: `many-${nth}.html`,
            head: 0,
            audit_id: null,
            redo: '[]',
            part: row.part,
            make_up: null,
            position: 1000 + nth,
          })),
        )
        .returning('id')
        .execute();
      const { bar_id: bar } = await trx.selectFrom('page_status').select('bar_id').where('page_id', '=', own).executeTakeFirstOrThrow();
      const { kind_id: kind } = await trx
        .selectFrom('findings')
        .select('kind_id')
        .where('id', '=', question.finding)
        .executeTakeFirstOrThrow();
      const status = await trx.selectFrom('page_status').selectAll().where('page_id', '=', own).executeTakeFirstOrThrow();
      await trx
        .insertInto('page_status')
        .values(made.map(({ id }) => ({ ...status, counts: JSON.stringify(status.counts), page_id: id, bar_id: bar })))
        .execute();
      await trx
        .insertInto('findings')
        .values(
          made.map(({ id }) => ({
            page_id: id,
            kind_id: kind,
            standing: 'open' as const,
            ruled: null,
            excepted_until: null,
            first_revision: 1,
            same: question.same,
          })),
        )
        .execute();
    });
  const given = await giveAnswer(services, INES, answer(question, 'no problem'));
  expect(given).toMatchObject({ ok: true, value: { pages: 200, more: true } });
  const id = given.ok ? given.value.answer : 0;
  const left = () =>
    db()
      .selectFrom('findings')
      .select((eb) => eb.fn.countAll<number>().as('many'))
      .where('same', '=', question.same)
      .where('standing', '=', 'open')
      .executeTakeFirstOrThrow();
  await settleAnswer(services, { answer: id });
  expect(Number((await left()).many)).toBe(0);
  await takeAnswerBack(services, INES, { answer: id });
  await settleAnswer(services, { answer: id });
  expect(Number((await left()).many)).toBe(copies + 1);
});
