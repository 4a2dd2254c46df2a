import { sql } from 'kysely';
import { listenTo, type Told } from '@inkwell/store';
import { amHere, handOut, notices, readUpTo, rule, saveSource, unread, type Actor } from './index.ts';
import { bench, INES, personAs, RUTH } from './testing/bench.ts';

const { services, db, look, SLUG, page, collection } = bench();
const ADA = personAs('author', `ada-live-${process.pid}`, 'Ada Marsh');

let heard: Told[] = [];
let live: ReturnType<typeof listenTo>;

beforeAll(async () => {
  await sql`insert into people (id, name, email) values (${ADA.id}, ${ADA.name}, ${`${ADA.id}@larkmoor.example`})`.execute(db());
  await sql`insert into memberships (person_id, role) values (${ADA.id}, 'author')`.execute(db());
  await new Promise<void>((ready) => {
    live = listenTo(
      process.env.DATABASE_URL!,
      (told) => heard.push(told),
      () => ready(),
    );
  });
});
afterAll(async () => {
  await live.stop();
  await sql`delete from people where id = ${ADA.id}`.execute(db()).catch(() => undefined);
});
beforeEach(() => (heard = []));

/** What was told of this test's own collection, or to its people, within a second. */
async function told(what: Told['what'], many = 1): Promise<Told[]> {
  const own = () =>
    heard.filter((one) => one.what === what && ('collection' in one ? one.collection === collection() : one.person === ADA.id));
  for (let tries = 0; tries < 100 && own().length < many; tries++) await new Promise((resolve) => setTimeout(resolve, 20));
  return own();
}

test('whoever listens is told of a new text and of a decision, with the pages, once for each change and not before it holds', async () => {
  const { pageId, version, html, slug } = await page(
    '<h2>Wax</h2><p>Before.</p><p><b>Note</b></p><p>Bees may be kept in a garden, but not in each.</p>',
  );
  heard = [];
  await saveSource(services, INES, { pageId, version, html: `${html}<p>More.</p>` });
  expect((await told('pages'))[0]).toMatchObject({ pages: [pageId] });
  const { notes, version: now } = await look(slug);
  const asked = notes.find((note) => note.outcome === 'cantTell')!;
  heard = [];
  await rule(services, INES, { pageId, version: now, findingId: asked.id, answer: 'no problem' });
  expect((await told('pages'))[0]).toMatchObject({ pages: [pageId] });
});

test('two on one page see each other; whoever leaves is seen no more', async () => {
  const { pageId, version } = await page('<h2>Wax</h2><p>Text</p>');
  const here = async (actor: Actor, isHere = true) => {
    const said = await amHere(services, actor, { page: pageId, here: isHere });
    if (!said.ok) throw new Error(said.problem.what);
    return said.value;
  };
  expect(await here(INES)).toEqual({ version, own: true, others: [] });
  expect(await here(RUTH)).toMatchObject({ own: false });
  await here(RUTH, false);
  heard = [];
  expect((await here(RUTH)).others).toEqual(['Ines Calder']);
  expect((await told('here'))[0]).toMatchObject({ pages: [pageId] });
  // What is said again is no news.
  heard = [];
  expect((await here(INES)).others).toEqual(['Ruth Pender']);
  await here(RUTH, false);
  expect(await told('here')).toHaveLength(1);
  expect((await here(INES)).others).toEqual([]);
  const nobody: Actor = { ...INES, memberships: [] };
  expect(await amHere(services, nobody, { page: pageId, here: true })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
});

test('whoever is sent something is told at once, and reads it once as new', async () => {
  const { slug } = await page('<h2></h2><p><img src="hive.png"></p>');
  await handOut(services, INES, {
    collection: SLUG,
    to: ADA.id,
    due: null,
    words: 'Soon',
    pages: [slug],
    findings: null,
    site: 'https://x.example',
  });
  expect(await told('message')).toEqual([{ what: 'message', person: ADA.id }]);
  expect(await unread(services, ADA)).toEqual({ ok: true, value: { many: 1 } });
  const shown = await notices(services, ADA, { before: null });
  expect(shown).toMatchObject({
    ok: true,
    value: { notices: [{ isNew: true, subject: expect.stringContaining('to see to') as string }], next: null },
  });
  // To be told is not to have read: another one who fetches the list changes nothing.
  expect(await unread(services, ADA)).toEqual({ ok: true, value: { many: 1 } });
  await readUpTo(services, ADA, { notice: shown.ok ? shown.value.notices[0]!.id : 0 });
  expect(await unread(services, ADA)).toEqual({ ok: true, value: { many: 0 } });
  expect(await notices(services, ADA, { before: null })).toMatchObject({ value: { notices: [{ isNew: false }] } });
  // Nobody reads another’s.
  expect(await notices(services, RUTH, { before: null })).not.toMatchObject({
    value: { notices: [{ subject: expect.stringContaining('to see to') as string }] },
  });
});
