import { sql } from 'kysely';
import {
  changeHanded,
  docket,
  docketSheet,
  fix,
  handedOut,
  handOut,
  handOutChosen,
  showMessages,
  takeDocketSheet,
  type Actor,
  type HandedBy,
  type HandedChoice,
} from '../index.ts';
import { bench, INES, RUTH, SAM, UMA } from '../testing/bench.ts';

const { services, db, look, SLUG, page, collection } = bench();
const SITE = 'https://check.larkmoor.example';
const NELL: Actor = {
  id: `nell-h-${process.pid}`,
  name: `Nell ${process.pid}`,
  kind: 'person',
  disabled: false,
  memberships: [{ collection: null, role: 'author' }],
};
/** Without an address: a table names them by their name. */
const OTTO: Actor = { ...NELL, id: `otto-h-${process.pid}`, name: `Otto ${process.pid}` };
const EMAIL = `${NELL.id}@larkmoor.example`;
const IMAGES = '<h2>Wax</h2><p><img src="hive.png"></p><p>Text</p><p><img src="comb.png"></p><p><a href="x.html">here</a></p>';
const ALL: HandedChoice = { by: 'person', person: null, family: null, page: null, due: null };

beforeAll(async () => {
  await sql`insert into people (id, name, email) values (${NELL.id}, ${NELL.name}, ${EMAIL}), (${OTTO.id}, ${OTTO.name}, null)`.execute(
    db(),
  );
  for (const { id, memberships } of [NELL, OTTO, UMA])
    await sql`insert into memberships (person_id, role) select ${id}, ${memberships[0]!.role}
      where not exists (select 1 from memberships where person_id = ${id})`.execute(db());
});

async function handed(wish: { to?: string; due?: string | null } = {}) {
  const { slug, pageId } = await page(IMAGES);
  const put = await handOut(services, INES, {
    ...{ collection: SLUG, to: NELL.id, due: null, words: 'Please', pages: [slug], findings: null, site: SITE, ...wish },
  });
  if (!put.ok) throw new Error(put.problem.what);
  return { slug, pageId, many: put.value.findings };
}

async function shown(choice: Partial<HandedChoice> = {}, actor = INES) {
  const wish = { ...ALL, ...choice, skip: 0 };
  const [table, board] = [
    await handedOut(services, actor, { ...wish, as: 'table' }),
    await handedOut(services, actor, { ...wish, as: 'board' }),
  ];
  if (!table.ok || !board.ok) throw new Error('Nothing is shown.');
  // Each asks only for what it shows.
  expect([table.value.columns, board.value.groups]).toEqual([[], []]);
  return { ...table.value, columns: board.value.columns };
}

const cardOf = (from: Awaited<ReturnType<typeof shown>>, pageId: number) =>
  from.columns.flatMap(({ column, cards }) => cards.filter((card) => card.page === pageId).map((card) => ({ column, ...card })));

test('what is handed out is put together by person, page, family and day, and every way comes to the same', async () => {
  const one = await handed({ due: '2099-03-01' });
  await handed();
  const sums = async (by: HandedBy) => {
    const { groups } = await shown({ by, person: NELL.id });
    return groups.reduce((sum, group) => sum + group['to do'], 0);
  };
  const all = await Promise.all((['person', 'page', 'family', 'due'] as const).map(sums));
  expect(new Set(all).size).toBe(1);
  expect(all[0]).toBe(one.many * 2);
  const { groups } = await shown({ person: NELL.id });
  expect(groups).toMatchObject([{ key: NELL.id, label: NELL.name, 'to do': all[0], families: { images: 6, links: 4 } }]);
  expect(groups[0]!.hours).toBeGreaterThan(0);
  expect((await shown({ by: 'due', person: NELL.id })).groups.map(({ key }) => key)).toEqual(['2099-03-01', '']);
  expect((await shown({ by: 'page', person: NELL.id, due: '2099-03-01' })).groups).toMatchObject([
    { key: String(one.pageId), place: { slug: one.slug } },
  ]);
  expect((await shown({ person: NELL.id, family: 'links' })).columns.find(({ column }) => column === 'to do')).toMatchObject({
    findings: 4,
    total: 2,
  });
});

test('a card goes from column to column by what an audit finds alone', async () => {
  const { slug, pageId } = await handed({ due: '2099-05-01' });
  expect(cardOf(await shown({ page: pageId }), pageId)).toMatchObject([{ column: 'to do', name: NELL.name, due: '2099-05-01' }]);
  await sql`update hands h set due = '2020-01-01' from handed d where d.hand_id = h.id and d.page_id = ${pageId}`.execute(db());
  expect(cardOf(await shown({ page: pageId }), pageId)).toMatchObject([{ column: 'overdue' }]);
  const desk = await look(slug);
  const image = desk.notes.find(({ rule }) => rule === 'images/no-alternative')!;
  const on = { pageId, version: desk.version, findingId: image.id };
  expect(await fix(services, NELL, { ...on, remedy: 'describe', inputs: { alt: 'A hive of pine boards on a stand' } })).toMatchObject({
    ok: true,
  });
  expect(cardOf(await shown({ page: pageId }), pageId)).toMatchObject([{ column: 'overdue' }, { column: 'done', many: 1 }]);
});

test('many are handed on, dated or taken back at once, and whoever gets them is written to once', async () => {
  const pages = [await handed(), await handed()];
  const cards = pages.map(({ pageId }) => ({ page: pageId, person: NELL.id }));
  const many = pages.reduce((sum, one) => sum + one.many, 0);
  const change = (wish: Parameters<typeof changeHanded>[2]['change'], actor = INES, of = cards) =>
    changeHanded(services, actor, { cards: of, change: wish, site: SITE });
  expect(await change({ due: '2099-07-01' })).toEqual({ ok: true, value: { changed: many, left: 0 } });
  expect(cardOf(await shown({ page: pages[0]!.pageId }), pages[0]!.pageId)).toMatchObject([{ due: '2099-07-01', person: NELL.id }]);
  expect(await change({ due: '2020-07-01' })).toMatchObject({ ok: false });
  expect(await change({ to: UMA.id })).toEqual({ ok: true, value: { changed: many, left: 0 } });
  // The day and the word stay with what is handed on.
  expect(cardOf(await shown({ page: pages[0]!.pageId }), pages[0]!.pageId)).toMatchObject([{ due: '2099-07-01', person: UMA.id }]);
  const desk = await docket(services, UMA, { state: 'to do', after: null });
  expect(desk.ok && desk.value.pages.find(({ slug }) => slug === pages[0]!.slug)!.things[0]!.words).toBe('Please');
  const theirs = pages.map(({ pageId }) => ({ page: pageId, person: UMA.id }));
  // Whoever may not work there gets nothing; whoever may not hand out changes nothing.
  expect(await change({ to: RUTH.id }, INES, theirs)).toEqual({ ok: true, value: { changed: 0, left: many } });
  expect(await change('back', NELL, theirs)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  const elsewhere: Actor = { ...INES, memberships: [{ collection: collection() + 1_000_000, role: 'reviewer' }] };
  expect(await change('back', elsewhere, theirs)).toEqual({ ok: true, value: { changed: 0, left: many } });
  expect(await change('back', INES, theirs)).toEqual({ ok: true, value: { changed: many, left: 0 } });
  expect(cardOf(await shown({ page: pages[0]!.pageId }), pages[0]!.pageId)).toEqual([]);
  await change({ to: NELL.id }, INES, [{ page: (await handed({ to: UMA.id })).pageId, person: UMA.id }]);
  const messages = await showMessages(services, SAM, { before: null });
  expect(messages.ok && messages.value[0]).toMatchObject({ address: EMAIL, subject: expect.stringMatching(/handed on to you$/) as string });
});

test('the table goes out, and comes back with other people and days; what no longer fits is named and left', async () => {
  const { pageId, many } = await handed({ due: '2099-08-01' });
  const sheet = await docketSheet(services, INES, { person: null, state: 'to do', site: SITE });
  if (!sheet.ok) throw new Error(sheet.problem.what);
  const [head, ...lines] = sheet.value.split('\r\n');
  const ids = (await sql<{ finding_id: number }>`select finding_id from handed where page_id = ${pageId} order by finding_id`.execute(db()))
    .rows;
  const own = lines.filter((line) => ids.some(({ finding_id }) => line.startsWith(`${finding_id},${EMAIL},2099-08-01,`)));
  expect(own).toHaveLength(many);
  const take = (rows: readonly string[]) =>
    takeDocketSheet(services, INES, { bytes: new TextEncoder().encode([head, ...rows].join('\r\n')), site: SITE });
  expect(await take(own)).toMatchObject({ ok: true, value: { changed: 0, same: many, aside: [] } });
  const [first, second, third] = own;
  const to = (row: string, whom: string, day: string) => row.replace(`,${EMAIL},2099-08-01,`, `,${whom},${day},`);
  const taken = await take([
    to(first!, OTTO.name, '2099-09-01'),
    to(second!, EMAIL, ''),
    to(third!, 'Nobody at all', '2099-09-01'),
    third!.replace(/^\d+/, '999999999'),
    to(third!, 'Ruth Pender', '2099-08-01'),
    to(third!, EMAIL, '2020-01-01'),
  ]);
  if (!taken.ok) throw new Error(taken.problem.what);
  expect(taken.value.aside.map(({ row }) => row)).toEqual([4, 5, 6, 7]);
  expect(taken.value.changed).toBe(2);
  const now = await sql<{ given_to: string; due: string | null }>`select h.given_to, to_char(h.due, 'YYYY-MM-DD') as due from handed d
    join hands h on h.id = d.hand_id where d.page_id = ${pageId} order by d.finding_id`.execute(db());
  const said = now.rows.map(({ given_to, due }) => `${given_to} ${due}`);
  expect(said).toEqual(expect.arrayContaining([`${OTTO.id} 2099-09-01`, `${NELL.id} null`, `${NELL.id} 2099-08-01`]));
  expect(await takeDocketSheet(services, NELL, { bytes: new Uint8Array(), site: SITE })).toMatchObject({ ok: false });
});

test('what was chosen in a register is handed out: what is open on its uses, on every page, and nothing else', async () => {
  const pages = [await page(IMAGES), await page(IMAGES)];
  const choice = { register: 'images' as const, words: 'comb.png' };
  const wish = { collection: SLUG, chosen: { choice, keys: null }, to: OTTO.id, due: null, words: '', site: SITE };
  const put = await handOutChosen(services, INES, wish);
  if (!put.ok) throw new Error(put.problem.what);
  expect(put.value.pages).toBeGreaterThanOrEqual(2);
  const rows = await sql<{ rule: string; html: string }>`select distinct k.rule from handed d join hands h on h.id = d.hand_id
    join findings f on f.id = d.finding_id join kinds k on k.id = f.kind_id
    where h.given_to = ${OTTO.id} and d.page_id = any(${pages.map(({ pageId }) => pageId)}::integer[])`.execute(db());
  expect(rows.rows.every(({ rule }) => rule.startsWith('images/'))).toBe(true);
  // Handed out again it is in one person's hands still; elsewhere, or by whoever may not, in nobody's.
  expect(await handOutChosen(services, INES, { ...wish, to: NELL.id })).toEqual(put);
  expect(await handOutChosen(services, NELL, wish)).toMatchObject({ ok: false });
  expect(await handOutChosen(services, INES, { ...wish, to: RUTH.id })).toMatchObject({ ok: false, problem: { code: 'declined' } });
  expect(await handOutChosen(services, INES, { ...wish, chosen: { things: [] } })).toMatchObject({
    ok: false,
    problem: { code: 'nothing-to-do' },
  });
});
