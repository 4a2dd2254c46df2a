import { sql } from 'kysely';
import { migrate, openDatabase, type Database } from '../../store/src/index.ts';
import {
  cancelJob,
  claimJob,
  enqueue,
  enqueueUnder,
  finishJob,
  jobById,
  extendLeases,
  failJob,
  reclaimLapsed,
  runningOf,
  sweepJobs,
  work,
  type Job,
} from './index.ts';

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

test('two lapsed jobs of one name are given back together, and hold up no other', async () => {
  await enqueue(db, 'system', [{ kind: 'count', name: 'page 5' }]);
  await claimJob(db, 'died', 0);
  await enqueue(db, 'system', [{ kind: 'count', name: 'page 5' }, { kind: 'count' }]);
  await claimJob(db, 'died', 0);
  await claimJob(db, 'died', 0);
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(await reclaimLapsed(db)).toBe(3);
  const { rows } = await sql<{ name: string | null; state: string }>`select name, state from jobs order by id`.execute(db);
  expect(rows).toEqual(['page 5', null, null].map((name) => ({ name, state: 'waiting' })));
});

test('a job whose end could not be written is given back, though its worker lives', async () => {
  await enqueue(db, 'system', [{ kind: 'count' }]);
  let away = false;
  const flaky = new Proxy(db, {
    get(target, property) {
      if (away && property !== 'then') throw new Error('The database is away.');
      const value: unknown = Reflect.get(target, property);
      return typeof value === 'function' ? (value.bind(target) as unknown) : value;
    },
  });
  let tries = 0;
  const stop = new AbortController();
  const handler = () => {
    tries++;
    away = tries === 1;
    if (away) setTimeout(() => (away = false), 100);
    return Promise.resolve();
  };
  const working = work(flaky, {
    handlers: { count: handler },
    worker: 'alive',
    signal: stop.signal,
    idleMs: 10,
    leaseSeconds: 0.4,
    atOnce: 1,
  });
  const until = Date.now() + 8_000;
  const state = async () => (await sql<{ state: string }>`select state from jobs`.execute(db)).rows[0]?.state;
  while ((await state()) !== 'done' && Date.now() < until) await new Promise((resolve) => setTimeout(resolve, 50));
  stop.abort();
  await working;
  expect([await state(), tries]).toEqual(['done', 2]);
}, 15_000);

test('jobs that ended long ago are cleared away; what failed stays longer, and what runs stays', async () => {
  await enqueue(db, 'system', [{ kind: 'done' }, { kind: 'failed' }, { kind: 'waiting' }]);
  await sql`update jobs set state = kind, ended_at = now() - interval '3 days' where kind in ('done', 'failed')`.execute(db);
  expect(await sweepJobs(db)).toBe(1);
  await sql`update jobs set ended_at = now() - interval '31 days' where kind = 'failed'`.execute(db);
  expect(await sweepJobs(db)).toBe(1);
  expect((await sql<{ kind: string }>`select kind from jobs`.execute(db)).rows).toEqual([{ kind: 'waiting' }]);
});

test('a job that failed waits again although another of its name came to wait meanwhile', async () => {
  await enqueue(db, 'system', [{ kind: 'count', name: 'page 7' }]);
  const job = (await claimJob(db, 'one', 5))!;
  await enqueue(db, 'system', [{ kind: 'count', name: 'page 7' }]);
  await extendLeases(db, 'one', [job.id], 5);
  await failJob(db, job, 'one', 'not yet', 3);
  const { rows } = await sql<{ name: string | null }>`select name from jobs where state = 'waiting' order by id`.execute(db);
  expect(rows.map(({ name }) => name)).toEqual([null, 'page 7']);
});
