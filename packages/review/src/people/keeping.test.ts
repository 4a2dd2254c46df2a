import { sql } from 'kysely';
import { forget, personData, sendMail, setKeeping, showKeeping, THE_SYSTEM } from '../index.ts';
import { bench, INES, SAM } from '../testing/bench.ts';

const { services, db, page } = bench();
const mark = `keeping-${process.pid}`;

const message = (subject: string, days: number) =>
  sql`insert into messages (address, subject, body, made_at) values (${`${mark}@larkmoor.example`}, ${subject}, '', now() - make_interval(days => ${days}::integer))`.execute(
    db(),
  );
const subjects = async () =>
  (
    await sql<{ subject: string }>`select subject from messages where address = ${`${mark}@larkmoor.example`} order by id`.execute(db())
  ).rows.map(({ subject }) => subject);

test('messages go after as many days as the house says, and stay for good at 0', async () => {
  const before = await showKeeping(services, SAM);
  if (!before.ok) throw new Error(before.problem.what);
  try {
    await message('old', 40);
    await message('new', 20);
    await setKeeping(services, SAM, { ...before.value, messages: 0 });
    await forget(services, THE_SYSTEM);
    expect(await subjects()).toEqual(['old', 'new']);
    await setKeeping(services, SAM, { ...before.value, messages: 30 });
    await forget(services, THE_SYSTEM);
    expect(await subjects()).toEqual(['new']);
  } finally {
    await setKeeping(services, SAM, before.value);
  }
  expect(await forget(services, SAM)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  expect(await setKeeping(services, SAM, { ...before.value, deeds: 1.5 })).toMatchObject({ ok: false });
});

test('what waits is sent once; what is not taken is tried again later, and what is stale never', async () => {
  await sql`update messages set sent_at = now() where sent_at is null`.execute(db());
  await message('stale', 3);
  await message('good', 0);
  await message('bad', 0);
  const went: string[] = [];
  const send = (one: { subject: string }) => {
    went.push(one.subject);
    return one.subject === 'bad' ? Promise.reject(new Error('550 no such box')) : Promise.resolve();
  };
  expect(await sendMail(services, THE_SYSTEM, { send })).toEqual({ ok: true, value: { sent: 1, refused: 1 } });
  expect(await sendMail(services, THE_SYSTEM, { send })).toEqual({ ok: true, value: { sent: 0, refused: 0 } });
  expect(went).toEqual(['good', 'bad']);
  const { rows } = await sql<{ trouble: string; waits: boolean }>`select trouble, try_at > now() as waits from messages
    where subject = 'bad' and address = ${`${mark}@larkmoor.example`}`.execute(db());
  expect(rows).toEqual([{ trouble: '550 no such box', waits: true }]);
  await sql`update messages set try_at = now() where subject = 'bad'`.execute(db());
  await sendMail(services, THE_SYSTEM, { send: () => Promise.resolve() });
  expect(
    await sql`select 1 from messages where subject = 'bad' and sent_at is null and address = ${`${mark}@larkmoor.example`}`.execute(db()),
  ).toMatchObject({
    rows: [],
  });
});

test('what is held of a person is told whole: also what they did to pages', async () => {
  const view = await page('<h2>Wax</h2>');
  const data = await personData(services, SAM, { person: INES.id });
  if (!data.ok) throw new Error(data.problem.what);
  const told = JSON.parse(data.value.text) as Record<string, { page?: string; title?: string }[]>;
  expect(told['revisions made']!.some((one) => one.page === view.title)).toBe(true);
  expect(Object.keys(told)).toEqual(
    expect.arrayContaining([
      'person',
      'parts',
      'sessions',
      'messages',
      'remarks',
      'working times',
      'rulings made',
      'let stand',
      'signed off',
    ]),
  );
});
