import { sql } from 'kysely';
import {
  calendarAt,
  docket,
  docketSheet,
  endCalendar,
  fix,
  handOut,
  hasCalendar,
  newCalendar,
  remark,
  remarks,
  saveSource,
  sendDigests,
  showMessages,
  takeFrom,
  takers,
  THE_SYSTEM,
  type Actor,
} from '../index.ts';
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

test('people talk about a finding; whoever is named, has it in hand or spoke before is told, and nobody else', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug);
  const desk = await look(slug);
  const note = desk.notes.find(({ rule }) => rule === 'images/no-alternative')!;
  const say = (actor: Actor, words: string) => remark(services, actor, { pageId: desk.pageId, findingId: note.id, words, site: SITE });
  const toldOf = async (address: string) => {
    const messages = await showMessages(services, SAM, { before: null });
    return messages.ok ? messages.value.filter((one) => one.address === address && one.body.includes('What is in')) : [];
  };
  expect(await say(INES, 'What is in this one, brood or honey?')).toMatchObject({ ok: true, value: [{ by: 'Ines Calder' }] });
  expect(await toldOf(`${ODILE.id}@larkmoor.example`)).toHaveLength(1);
  expect((await toldOf(`${ODILE.id}@larkmoor.example`))[0]!.body).toContain(`${SITE}/collections/${SLUG}/${slug}?note=${note.id}`);
  expect(await say(ODILE, 'Honey. \u202Eeno')).toMatchObject({ ok: true, value: [{}, { by: 'Odile Marsh' }] });
  expect((await look(slug)).notes.find(({ id }) => id === note.id)!.remarks).toBe(2);
  expect(await remarks(services, UMA, { pageId: desk.pageId, findingId: note.id })).toMatchObject({ ok: true, value: [{}, {}] });
  expect(await say(INES, '   ')).toMatchObject({ ok: false, problem: { code: 'declined' } });
  expect(await say({ ...UMA, memberships: [] }, 'Let me in')).toMatchObject({ ok: false, problem: { code: 'not-found' } });
});

test('a calendar at a secret address tells the days on which something is due, until the address is ended', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug, { due: '2099-07-01', words: 'Before the fair' });
  const made = await newCalendar(services, ODILE, { site: SITE });
  if (!made.ok) throw new Error(made.problem.what);
  const secretOf = (address: string) => /\/calendar\/([\w-]{43})\.ics$/.exec(address)![1]!;
  const at = (secret: string) => calendarAt(services, { secret, site: SITE });
  const first = await at(secretOf(made.value.address));
  expect(first.ok && first.value).toContain('DTSTART;VALUE=DATE:20990701');
  expect(first.ok && first.value.replace(/\r\n /g, '')).toContain(`${SITE}/collections/${SLUG}/${slug}?standing=mine`);
  // Another address takes the place of the first; then it is ended.
  const again = await newCalendar(services, ODILE, { site: SITE });
  expect(await at(secretOf(made.value.address))).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await at(again.ok ? secretOf(again.value.address) : '')).toMatchObject({ ok: true });
  await endCalendar(services, ODILE);
  expect(await at(again.ok ? secretOf(again.value.address) : '')).toMatchObject({ ok: false });
  expect(await at("' or 1=1 --")).toMatchObject({ ok: false });
  expect(await hasCalendar(services, ODILE)).toEqual({ ok: true, value: { since: null } });
});

test('whoever has something due tomorrow is written to once that day, and nobody who has not', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug, { due: '2098-03-02' });
  const on = (moment: string) => sendDigests({ ...services, now: () => new Date(moment) }, THE_SYSTEM, { site: SITE });
  const digests = async () => {
    const messages = await showMessages(services, SAM, { before: null });
    return messages.ok ? messages.value.filter(({ subject, address }) => subject === 'Your docket' && address.startsWith(ODILE.id)) : [];
  };
  await sql`update house set digested_on = null`.execute(db());
  // Not at night; then once, and with the day's news alone.
  expect(await on('2098-03-01T02:00:00Z')).toEqual({ ok: true, value: { sent: 0 } });
  const both = await Promise.all([on('2098-03-01T12:00:00Z'), on('2098-03-01T12:00:00Z')]);
  expect(both.filter((one) => one.ok && one.value.sent > 0)).toHaveLength(1);
  expect(await digests()).toMatchObject([{ body: expect.stringMatching(/things? (?:is|are) due tomorrow\n\nhttps:/) as string }]);
  expect(await on('2098-03-02T12:00:00Z')).toEqual({ ok: true, value: { sent: 0 } });
  expect(await on('2098-03-03T12:00:00Z')).toMatchObject({ ok: true, value: { sent: 1 } });
  expect((await digests())[0]!.body).toContain('overdue since today');
  expect(await sendDigests(services, INES, { site: SITE })).toMatchObject({ ok: false });
  await sql`update house set digested_on = null`.execute(db());
});

test('a docket goes out as a table, which no spreadsheet takes for formulas', async () => {
  const slug = await slugOf(TWO_IMAGES);
  await handed(slug, { due: '2099-08-01', words: '=HYPERLINK("https://elsewhere.example")' });
  const sheet = await docketSheet(services, ODILE, { state: 'to do', site: SITE });
  const own = sheet.ok ? sheet.value.split('\n').filter((line) => line.includes(`/${slug}?note=`)) : [];
  expect(own.length).toBeGreaterThanOrEqual(2);
  expect(own[0]).toContain('2099-08-01');
  expect(own.join('\n')).not.toMatch(/(?:^|,)"?=/m);
  expect(await docketSheet(services, UMA, { person: ODILE.id, state: 'to do', site: SITE })).toMatchObject({ ok: false });
});
