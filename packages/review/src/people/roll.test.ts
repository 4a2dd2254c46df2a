import { sql } from 'kysely';
import { endSecondFactor, moveTo, personData, rollSheet, setKeeping, showKeeping, showMessages, takeRoll } from '../index.ts';
import { bench, personAs, SAM } from '../testing/bench.ts';

const { services, db, SLUG, collection } = bench();
const SITE = 'https://check.larkmoor.example';
const own = (name: string) => `${name}-${process.pid}-roll@larkmoor.example`;
const take = (text: string, write = true) => takeRoll(services, SAM, { bytes: new TextEncoder().encode(text), site: SITE, write });
const HEAD = 'name,email,department,role,collection,leaves\r\n';

async function told(text: string, write = true) {
  const read = await take(text, write);
  if (!read.ok) throw new Error(read.problem.what);
  return read.value;
}

async function personOf(email: string) {
  const { rows } = await sql<{ id: string; department: string | null; leaves: string | null; parts: string }>`select p.id, p.department,
      p.disabled_on::text as leaves,
      (select string_agg(role || ' ' || coalesce(collection_id::text, 'all'), ', ' order by role) from memberships where person_id = p.id) as parts
    from people p where email = ${email}`.execute(db());
  return rows[0];
}

test('a table puts people in, with parts and departments, and each is sent a link of their own; nothing happens before it is said', async () => {
  const [ida, tove] = [own('ida'), own('tove')];
  const table = `${HEAD}Ida Brandt,${ida},Canals,author,${SLUG},\r\nIda Brandt,${ida},Canals,reviewer,,\r\nTove Lind,${tove},,,,2099-01-31\r\n`;
  expect(await told(table, false)).toMatchObject({ invited: ['Ida Brandt', 'Tove Lind'], changed: [], same: 0, aside: [] });
  expect(await personOf(ida)).toBeUndefined();
  await told(table);
  expect(await personOf(ida)).toMatchObject({ department: 'Canals', parts: `author ${collection()}, reviewer all` });
  expect(await personOf(tove)).toMatchObject({ department: null, leaves: '2099-01-31', parts: null });
  const messages = await showMessages(services, SAM, { before: null });
  const links = (email: string) =>
    messages.ok
      ? messages.value.filter(({ address, body }) => address === email && body.includes('The link is in the message itself')).length
      : 0;
  expect([links(ida), links(tove)]).toEqual([1, 1]);
  // Brought again, it says what stands already, and nobody is written to twice.
  expect(await told(table)).toMatchObject({ invited: [], changed: [], same: 3 });
  const again = await showMessages(services, SAM, { before: null });
  expect(again.ok && again.value.filter(({ address }) => address === ida)).toHaveLength(1);
});

test('what goes out comes back as it is, also through a spreadsheet that writes semicolons', async () => {
  const nora = own('nora');
  await told(`${HEAD}"Øgård, Nora",${nora},"Maps; signs",publisher,,\r\n`);
  const sheet = await rollSheet(services, SAM);
  if (!sheet.ok) throw new Error(sheet.problem.what);
  const line = sheet.value.split('\r\n').find((one) => one.includes(nora))!;
  expect(line).toBe(`"Øgård, Nora",${nora},Maps; signs,publisher,,`);
  expect(await told(HEAD.replaceAll(',', ';') + `"Øgård, Nora";${nora};"Maps; signs";publisher;;\r\n`)).toMatchObject({
    same: 1,
    invited: [],
  });
});

test('rows that cannot be used are named with the reason, and the others are taken', async () => {
  const lars = own('lars');
  const read = await told(
    `${HEAD}Lars,${lars},,author,,\r\nNobody,not an address,,,,\r\nX,${own('x')},,boss,,\r\nY,${own('y')},,author,no-such,\r\n` +
      `Z,${own('z')},,,,31.1.2099\r\nW,${own('w')},,,${SLUG},\r\nV,${own('v')},,administrator,,2099-01-01\r\n`,
  );
  expect(read.invited).toContain('Lars');
  expect(read.aside.map(({ row, why }) => `${row} ${why}`)).toEqual([
    '3 “not an address” is no e-mail address.',
    expect.stringMatching(/^4 There is no part “boss”/),
    '5 There is no collection “no-such”.',
    '6 “31.1.2099” is no day; write YYYY-MM-DD.',
    '7 It names a collection, but no part in it.',
    expect.stringMatching(/^8 Whoever looks after the house/),
  ]);
  expect(await personOf(own('x'))).toBeUndefined();
  expect(await take('name,email\r\n')).toMatchObject({ ok: true, value: { invited: [] } });
  expect(await take('name,address\r\nA,b\r\n')).toMatchObject({
    ok: false,
    problem: { why: expect.stringContaining('no column') as string },
  });
});

test('a table of 2,000 people takes as many statements as one of two', async () => {
  const table = (many: number, tag: string) =>
    HEAD + Array.from({ length: many }, (_, i) => `P ${i},${own(`${tag}${i}`)},D,author,,\r\n`).join('');
  const counted = async (many: number, tag: string) => {
    let queries = 0;
    const heard = services.db.withPlugin({
      transformQuery: ({ node }) => (queries++, node),
      transformResult: ({ result }) => Promise.resolve(result),
    });
    await takeRoll({ ...services, db: heard }, SAM, { bytes: new TextEncoder().encode(table(many, tag)), site: SITE, write: true });
    return queries;
  };
  expect(await counted(2_000, 'many')).toBe(await counted(2, 'few'));
  await sql`delete from people where email like ${`%-${process.pid}-roll@larkmoor.example`} and name like 'P %'`.execute(db());
});

test('only whoever looks after people sees them all, and how long things are kept; one’s own is given to everybody', async () => {
  const days = { messages: 30, deeds: 0, times: 30 };
  for (const role of ['reviewer', 'author', 'publisher', 'specialist', 'administrator'] as const) {
    const actor = personAs(role);
    const results = [
      await rollSheet(services, actor),
      await takeRoll(services, actor, { bytes: new TextEncoder().encode(HEAD), site: SITE, write: false }),
      await moveTo(services, actor, { person: 'nobody', department: 'x' }),
      await endSecondFactor(services, actor, { person: 'nobody' }),
      await showKeeping(services, actor),
      await setKeeping(services, actor, { ...days, messages: -1 }),
    ];
    for (const result of results)
      expect([role, !result.ok && result.problem.code === 'not-allowed']).toEqual([role, role !== 'administrator']);
  }
  expect(await personData(services, personAs('reviewer'), { person: SAM.id })).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  const mine = await personData(services, SAM, { person: SAM.id });
  expect(mine.ok && (JSON.parse(mine.value.text) as { person: unknown[] }).person).toMatchObject([{ id: SAM.id, name: 'Sam Okello' }]);
});
