import { sql } from 'kysely';
import { migrate, openDatabase, type Database } from '../../store/src/index.ts';
import { cancelJob, claimJob, enqueue, enqueueUnder, finishJob, jobById, reclaimLapsed, runningOf, work, type Job } from './index.ts';

let db: Database;
let admin: Database;
const NAME = `inkwell_work_${process.pid}`;

beforeAll(async () => {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
  admin = openDatabase({ url });
  await sql.raw(`create database ${NAME}`).execute(admin);
  db = openDatabase({ url: Object.assign(new URL(url), { pathname: `/${NAME}` }).href });
  await migrate(db);
});

afterAll(async () => {
  await db.destroy();
  await sql.raw(`drop database ${NAME}`).execute(admin);
  await admin.destroy();
});

afterEach(() => sql`delete from jobs`.execute(db));

/** Works until nothing is left to do. */
async function workOff(handler: (job: Job) => Promise<void>, worker = 'one', mostAttempts = 3): Promise<void> {
  const stop = new AbortController();
  const working = work(db, { handlers: { count: handler }, worker, signal: stop.signal, idleMs: 10, leaseSeconds: 5, mostAttempts });
  const left = async () =>
    (
      await sql<{
        many: number;
      }>`select count(*)::integer as many from jobs where state in ('waiting', 'running') and (parent_id is not null
        or kind = 'count')`.execute(db)
    ).rows[0]!.many;
  while ((await left()) > 0) await new Promise((resolve) => setTimeout(resolve, 20));
  stop.abort();
  await working;
}

test('jobs are done once each, by however many workers, the oldest first', async () => {
  await enqueue(
    db,
    'system',
    Array.from({ length: 40 }, (_, i) => ({ kind: 'count', payload: { i } })),
  );
  const done: number[] = [];
  await Promise.all(
    ['one', 'two', 'three'].map((name) => workOff(({ payload }) => Promise.resolve(void done.push(payload.i as number)), name)),
  );
  expect([...done].sort((a, b) => a - b)).toEqual(Array.from({ length: 40 }, (_, i) => i));
});

test('of jobs that wait under one name there is one; once it runs, another may wait', async () => {
  expect(
    await enqueue(db, 'system', [
      { kind: 'count', name: 'page 1' },
      { kind: 'count', name: 'page 1' },
      { kind: 'count', name: 'page 2' },
    ]),
  ).toBe(2);
  expect(await enqueue(db, 'system', [{ kind: 'count', name: 'page 1' }])).toBe(0);
  await claimJob(db, 'one', 5);
  expect(await enqueue(db, 'system', [{ kind: 'count', name: 'page 1' }])).toBe(1);
});

test('a parent counts its jobs, failed ones too, and is done with the last', async () => {
  const id = await enqueueUnder(
    db,
    'system',
    'all',
    Array.from({ length: 5 }, (_, i) => ({ kind: 'count', payload: { i } })),
  );
  expect(await runningOf(db, 'all')).toMatchObject([{ id, done: 0, total: 5 }]);
  await workOff(({ payload }) => (payload.i === 3 ? Promise.reject(new Error('never')) : Promise.resolve()), 'one', 1);
  expect(await jobById(db, id)).toMatchObject({ state: 'done', done: 5, total: 5 });
  expect((await sql<{ problem: string }>`select problem from jobs where state = 'failed'`.execute(db)).rows).toEqual([
    { problem: 'never' },
  ]);
});

test('a job that fails is tried again after a while', async () => {
  await enqueue(db, 'system', [{ kind: 'count' }]);
  let tries = 0;
  await workOff(() => (++tries < 2 ? Promise.reject(new Error('not yet')) : Promise.resolve()));
  expect(tries).toBe(2);
});

test('a job of a worker that died is given back when its lease runs out, and only one of the two ends it', async () => {
  const id = await enqueueUnder(db, 'system', 'all', [{ kind: 'count', name: 'page 9' }]);
  const lost = (await claimJob(db, 'died', 0))!;
  await enqueue(db, 'system', [{ kind: 'count', name: 'page 9' }]);
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(await reclaimLapsed(db)).toBe(1);
  const again = (await claimJob(db, 'alive', 5))!;
  expect([again.id, again.attempts]).toEqual([lost.id, 2]);
  expect(await finishJob(db, again, 'alive')).toBe(true);
  expect(await finishJob(db, lost, 'died')).toBe(false);
  expect(await jobById(db, id)).toMatchObject({ state: 'done', done: 1 });
});

test('cancelling a parent leaves undone what has not begun', async () => {
  const id = await enqueueUnder(
    db,
    'system',
    'all',
    Array.from({ length: 4 }, () => ({ kind: 'count' })),
  );
  const begun = (await claimJob(db, 'one', 5))!;
  expect(await cancelJob(db, id)).toBe(true);
  expect(await claimJob(db, 'one', 5)).toBeNull();
  expect(await finishJob(db, begun, 'one')).toBe(true);
  expect(await jobById(db, id)).toMatchObject({ state: 'cancelled' });
  expect(await cancelJob(db, id)).toBe(false);
});
