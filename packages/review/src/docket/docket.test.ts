import { sql } from 'kysely';
import { docket, fix, handOut, saveSource, showMessages, takeFrom, takers, type Actor } from '../index.ts';
import { bench, INES, RUTH, SAM, UMA } from '../testing/bench.ts';

const { services, db, look, SLUG, page } = bench();
const SITE = 'https://check.larkmoor.example';
const ODILE: Actor = {
  id: `odile-${process.pid}`,
  name: 'Odile Marsh',
  kind: 'person',
  disabled: false,
  memberships: [{ collection: null, role: 'author' }],
};
const TWO_IMAGES = '<h2>Wax</h2><p><img src="hive.png"></p><p>Text</p><p><img src="comb.png"></p>';

/** A new page with a text: its address. */
const slugOf = async (html: string) => (await page(html)).slug;

beforeAll(async () => {
  await sql`insert into people (id, name, email) values (${ODILE.id}, ${ODILE.name}, ${`${ODILE.id}@larkmoor.example`})`.execute(db());
  for (const { id, memberships } of [ODILE, INES, RUTH, UMA])
    await sql`insert into memberships (person_id, role) select ${id}, ${memberships[0]!.role}
      where not exists (select 1 from memberships where person_id = ${id})`.execute(db());
});

const handed = (slug: string, wish: Partial<Parameters<typeof handOut>[2]> = {}, actor = INES) =>
  handOut(services, actor, { collection: SLUG, to: ODILE.id, due: null, words: '', pages: [slug], findings: null, site: SITE, ...wish });

async function docketOf(actor: Actor, state: 'to do' | 'returned' | 'done' = 'to do', person?: string) {
  const shown = await docket(services, actor, { person, state, after: null });
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value;
}

const onPage = async (slug: string, state: 'to do' | 'returned' | 'done' = 'to do') =>
  (await docketOf(ODILE, state)).pages.find((one) => one.slug === slug);

test('what is handed out stands on its docket in plain words, leaves it when an audit finds it fixed, and comes back with it', async () => {
  const slug = await slugOf(TWO_IMAGES);
  const put = await handed(slug, { due: '2099-05-04', words: 'Before the spring term, please.' });
  expect(put).toMatchObject({ ok: true, value: { pages: 1 } });
  const shown = (await onPage(slug))!;
  expect(shown).toMatchObject({ due: '2099-05-04', many: put.ok ? put.value.findings : 0 });
  const images = shown.things.filter(({ sentence }) => /alternative text/i.test(sentence));
  expect(images).toHaveLength(2);
  expect(images[0]).toMatchObject({ by: 'Ines Calder', words: 'Before the spring term, please.', standing: 'open' });
  // The Desk says it beside the note, and whose it is.
  const desk = await look(slug);
  expect(desk.notes.find(({ id }) => id === images[0]!.finding)!.handed).toMatchObject({ name: 'Odile Marsh', mine: false });

  const done = await fix(services, ODILE, {
    pageId: desk.pageId,
    version: desk.version,
    findingId: images[0]!.finding,
    remedy: 'describe',
    inputs: { alt: 'A hive of pine boards on a stand' },
  });
  expect(done).toMatchObject({ ok: true });
  expect((await onPage(slug))!.things.map(({ finding }) => finding)).not.toContain(images[0]!.finding);
  expect((await onPage(slug, 'done'))!.things.map(({ finding }) => finding)).toEqual([images[0]!.finding]);
  // Somebody takes the description out again: it is back on the docket of who has it, nobody having said so.
  const now = await look(slug);
  expect(
    await saveSource(services, INES, { pageId: now.pageId, version: now.version, html: now.html.replace(/ alt="[^"]*"/, '') }),
  ).toMatchObject({ ok: true });
  expect((await onPage(slug, 'returned'))!.things).toMatchObject([{ finding: images[0]!.finding, standing: 'returned' }]);
  expect((await docketOf(ODILE)).sums.returned).toBeGreaterThanOrEqual(1);
});

test('whoever is handed something is written to, once for all of it, without a way in for lines of their own', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug, { words: 'Please.\r\nBcc: all@larkmoor.example' });
  const messages = await showMessages(services, SAM, { before: null });
  const own = messages.ok ? messages.value.filter(({ address }) => address === `${ODILE.id}@larkmoor.example`) : [];
  expect(own[0]!.subject).toMatch(/^\d+ things on 1 page to see to$/);
  expect(own[0]!.body).toContain(`${SITE}/docket`);
});

test('it is handed on rather than to two, some of it or all, and taken back', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug);
  const [first] = (await onPage(slug))!.things;
  expect(await handed(slug, { to: UMA.id, findings: [first!.finding] })).toEqual({ ok: true, value: { findings: 1, pages: 1 } });
  expect((await onPage(slug))!.things.map(({ finding }) => finding)).not.toContain(first!.finding);
  expect((await docketOf(UMA)).pages.find((one) => one.slug === slug)).toMatchObject({ many: 1 });
  expect(await takeFrom(services, INES, { collection: SLUG, findings: [first!.finding] })).toEqual({ ok: true, value: { findings: 1 } });
  expect((await docketOf(UMA)).pages.find((one) => one.slug === slug)).toBeUndefined();
});

test('nothing is handed to who may not do it, for a day that is past, or where nothing is open; nor by who may not', async () => {
  const slug = await slugOf(TWO_IMAGES);
  for (const [wish, why] of [
    [{ to: RUTH.id }, 'may neither change pages nor rule'],
    [{ to: 'nobody' }, 'Nobody of that name'],
    [{ due: '2020-01-01' }, 'past already'],
    [{ due: '2099-02-31' }, 'no day'],
    [{ words: 'x'.repeat(2_001) }, 'longer than'],
  ] as const)
    expect(await handed(slug, wish)).toMatchObject({ ok: false, problem: { why: expect.stringContaining(why) as string } });
  const clean = await slugOf('<h2>Clean</h2><p>Nothing is wrong here.</p>');
  expect(await handed(clean, { findings: [1] })).toMatchObject({ ok: false, problem: { code: 'nothing-to-do' } });
  for (const actor of [ODILE, UMA]) expect(await handed(slug, {}, actor)).toMatchObject({ ok: false });
  expect(await takers(services, ODILE, { collection: SLUG })).toMatchObject({ ok: false });
  const able = await takers(services, INES, { collection: SLUG });
  expect(able.ok && able.value.map(({ id }) => id)).toEqual(expect.arrayContaining([ODILE.id, UMA.id, INES.id]));
  expect(able.ok && able.value.map(({ id }) => id)).not.toContain(RUTH.id);
});

test('one looks at one’s own docket; whoever hands work out at anybody’s', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug);
  expect((await docketOf(INES, 'to do', ODILE.id)).pages.map((one) => one.slug)).toContain(slug);
  expect(await docket(services, UMA, { person: ODILE.id, state: 'to do', after: null })).toMatchObject({ ok: false });
  expect((await docketOf(ODILE)).isOwn).toBe(true);
  // What one may not see any more is not told either.
  const gone: Actor = { ...ODILE, memberships: [{ collection: 999_999, role: 'author' }] };
  expect((await docketOf(gone)).pages).toEqual([]);
});
