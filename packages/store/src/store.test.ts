import { sql } from 'kysely';
import { isAway, isDuplicate, migrate, openDatabase, type Database } from './index.ts';

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
  await scratch.insertInto('people').values({ id: 'ines', name: 'Ines Calder', role: 'reviewer' }).execute();
  await scratch.insertInto('collections').values({ slug: 'bees', title: 'Bees', kind: 'course', scope: 'fragment' }).execute();
  await migrate(scratch);
  expect(await scratch.selectFrom('collections').select('title').execute()).toEqual([{ title: 'Bees' }]);
});

async function makePage(address: string): Promise<number> {
  const { id } = await scratch
    .insertInto('pages')
    .values({ collection_id: 1, slug: address, title: 'x', scope: 'fragment', content_type: 'lesson', address, position: 1, head: 0, redo: '[]', made_by: 'ines' })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

test('the database itself refuses two pages at one address, two revisions of one number and two sign-offs in force', async () => {
  const page = await makePage('a.html');
  const revision = { page_id: page, number: 1, parent: null, content: 1, content_before: null, html: '<p>', title: 'x', encoding: null, cause: 'imported' as const, note: '', made_by: 'ines' };
  await scratch.insertInto('revisions').values(revision).execute();
  const signOff = { page_id: page, revision: 1, signed_by: 'ines', lapsed_by_revision: null };
  await scratch.insertInto('sign_offs').values(signOff).execute();
  const refusals = [
    await failure(makePage('a.html')),
    await failure(scratch.insertInto('revisions').values(revision).execute()),
    await failure(scratch.insertInto('sign_offs').values(signOff).execute()),
  ];
  expect(refusals.map(isDuplicate)).toEqual([true, true, true]);
  await scratch.updateTable('sign_offs').set({ lapsed_at: new Date(), lapsed_by_revision: 2 }).execute();
  await scratch.insertInto('sign_offs').values(signOff).execute();
});

async function failure(acting: Promise<unknown>): Promise<unknown> {
  return acting.then(() => undefined, (error: unknown) => error);
}

test('taking a collection out takes all that hangs on it', async () => {
  await makePage('gone.html');
  await scratch.deleteFrom('collections').where('slug', '=', 'bees').execute();
  for (const table of ['pages', 'revisions', 'sign_offs'] as const) expect(await scratch.selectFrom(table).selectAll().execute()).toEqual([]);
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
