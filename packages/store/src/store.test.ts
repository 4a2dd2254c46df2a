import { sql } from 'kysely';
import {
  addCollection,
  addPage,
  addRevision,
  addSignOff,
  barFor,
  bytesOf,
  dropCollection,
  fileAt,
  isAway,
  isDuplicate,
  isGivenUp,
  migrate,
  openDatabase,
  placeFiles,
  revisionOf,
  setPeople,
  writing,
  type Database,
} from './index.ts';

let db: Database;
let scratch: Database;
const NAME = `inkwell_store_${process.pid}`;

/** A database of its own, so that tables can be made from nothing. */
beforeAll(async () => {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
  db = openDatabase({ url });
  await sql.raw(`create database ${NAME}`).execute(db);
  scratch = openDatabase({ url: Object.assign(new URL(url), { pathname: `/${NAME}` }).href, most: 4 });
});

afterAll(async () => {
  await scratch.destroy();
  await sql.raw(`drop database ${NAME}`).execute(db);
  await db.destroy();
});

test('the tables are made from an empty database, by two processes at once, and again on a populated one', async () => {
  await Promise.all([migrate(scratch), migrate(scratch)]);
  await setPeople(scratch, [{ id: 'ines', name: 'Ines Calder', role: 'reviewer' }]);
  await addCollection(scratch, { slug: 'bees', title: 'Bees', kind: 'course', scope: 'fragment' });
  await migrate(scratch);
  expect(await scratch.selectFrom('collections').select('title').execute()).toEqual([{ title: 'Bees' }]);
});

async function makePage(address: string): Promise<number> {
  const bar = await barFor(scratch, 1, 'lesson');
  return writing(scratch, (trx) =>
    addPage(
      trx,
      { collection_id: 1, slug: address, title: 'x', scope: 'fragment', content_type: 'lesson', address, made_by: 'ines' },
      bar.id,
    ),
  );
}

const revision = (page: number, number: number, html: string, content: number | null = null) => ({
  page_id: page,
  number,
  html,
  title: 'x',
  cause: 'imported' as const,
  note: '',
  made_by: 'ines',
  encoding: number === 1 ? 'windows-1252' : null,
  bom: false,
  bytes_sha256: number === 1 ? 'ab' : null,
  content,
});

test('the database itself refuses two pages at one address, two revisions of one number and two sign-offs in force', async () => {
  const page = await makePage('a.html');
  await writing(scratch, (trx) => addRevision(trx, revision(page, 1, '<p>')));
  const audit = await scratch
    .insertInto('audits')
    .values({ page_id: page, revision: 1, engine: '0', inputs: '', moves: '[]' })
    .returning('id')
    .executeTakeFirstOrThrow();
  const signOff = { page_id: page, revision: 1, audit_id: audit.id, profile_version_id: 1, signed_by: 'ines' };
  const sign = () => writing(scratch, (trx) => addSignOff(trx, signOff));
  await sign();
  const refusals = [
    await failure(makePage('a.html')),
    await failure(writing(scratch, (trx) => addRevision(trx, revision(page, 1, '<p>')))),
    await failure(sign()),
  ];
  expect(refusals.map(isDuplicate)).toEqual([true, true, true]);
  await scratch.updateTable('sign_offs').set({ lapsed_at: new Date() }).execute();
  await sign();
});

test('a text is kept once however many revisions carry it, and its encoding goes along', async () => {
  const page = await makePage('b.html');
  for (const [number, html, content] of [
    [1, '<p>one', null],
    [2, '<p>two', null],
    [3, '<p>one', 1],
  ] as const)
    await writing(scratch, (trx) => addRevision(trx, revision(page, number, html, content)));
  expect(await scratch.selectFrom('texts').select('html').where('html', 'in', ['<p>one', '<p>two']).execute()).toHaveLength(2);
  expect(await revisionOf(scratch, page, 3)).toMatchObject({
    html: '<p>one',
    content: 1,
    content_before: null,
    parent: 2,
    encoding: 'windows-1252',
    bytes_sha256: 'ab',
  });
  expect(await revisionOf(scratch, page, 2)).toMatchObject({ content: 2, content_before: 1 });
});

test('a file is kept once, in pieces, and any part of it can be read', async () => {
  const bytes = Buffer.from(Array.from({ length: 700_000 }, (_, i) => (i * 7) % 251));
  await placeFiles(scratch, 1, [
    { path: 'a.bin', mediaType: 'x/y', bytes },
    { path: 'copies/a.bin', mediaType: 'x/y', bytes },
    { path: 'none.txt', mediaType: 'text/plain', bytes: Buffer.alloc(0) },
  ]);
  expect(await scratch.selectFrom('files').selectAll().execute()).toHaveLength(2);
  const file = (await fileAt(scratch, 1, 'copies/a.bin'))!;
  for (const [from, to] of [
    [0, 700_000],
    [262_143, 262_145],
    [0, 1],
    [524_288, 700_000],
    [699_999, 700_000],
  ] as const) {
    const parts: Buffer[] = [];
    for await (const part of bytesOf(scratch, file, from, to)) parts.push(part);
    expect(Buffer.concat(parts).equals(bytes.subarray(from, to))).toBe(true);
  }
  expect((await fileAt(scratch, 1, 'none.txt'))!.size).toBe(0);
});

async function failure(acting: Promise<unknown>): Promise<unknown> {
  return acting.then(
    () => undefined,
    (error: unknown) => error,
  );
}

test('taking a collection out takes all that hangs on it', async () => {
  await makePage('gone.html');
  await dropCollection(scratch, 1);
  for (const table of ['pages', 'page_status', 'revisions', 'audits', 'sign_offs', 'assets'] as const)
    expect(await scratch.selectFrom(table).selectAll().execute()).toEqual([]);
});

test('every foreign key has an index that begins with its columns', async () => {
  const { rows } = await sql<{ key: string }>`select c.conrelid::regclass || ' ' || c.conname as key from pg_constraint c
    where c.contype = 'f' and c.connamespace = 'public'::regnamespace and not exists (
      select 1 from pg_index i where i.indrelid = c.conrelid and (i.indkey::int2[])[0:cardinality(c.conkey) - 1] @> c.conkey
        and (i.indkey::int2[])[0:cardinality(c.conkey) - 1] <@ c.conkey)`.execute(scratch);
  expect(rows.map((row) => row.key)).toEqual([]);
});

test('a write that another one undoes is begun again; one that is wrong is not', async () => {
  let tries = 0;
  const gaveUp = await writing(scratch, async () => {
    if (++tries < 3) throw Object.assign(new Error('deadlock'), { code: '40P01' });
    return tries;
  });
  expect(gaveUp).toBe(3);
  expect(isGivenUp(await failure(writing(scratch, () => Promise.reject(Object.assign(new Error('x'), { code: '40001' })))))).toBe(true);
  expect(await failure(writing(scratch, (trx) => sql`select nothing from nowhere`.execute(trx)))).toMatchObject({ code: '42P01' });
});

test('a database that cannot be reached is told from a wrong query', async () => {
  const nobody = openDatabase({ url: 'postgresql://nobody:x@127.0.0.1:9/none' });
  expect(isAway(await failure(nobody.selectFrom('people').selectAll().execute()))).toBe(true);
  await nobody.destroy();
  expect(isAway(await failure(sql`select nothing from nowhere`.execute(scratch)))).toBe(false);
  expect(isAway(new Error('wrapped', { cause: Object.assign(new Error('x'), { code: '57P01' }) }))).toBe(true);
});

test('an address that is no PostgreSQL’s is refused with what was expected', () => {
  expect(() => openDatabase({ url: 'mysql://x' })).toThrow(/must begin with postgresql:/);
});
