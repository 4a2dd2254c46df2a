import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ENGINE_VERSION } from '@inkwell/core';
import {
  acceptIntoShelf,
  bringIn,
  desk,
  HERE,
  letStand,
  mend,
  receivePackage,
  saveSource,
  showMend,
  unmakeMend,
  type Actor,
  type Services,
} from '@inkwell/review';
import { addCollection, migrate, openDatabase, setPeople, type Database } from '@inkwell/store';
import { sql } from 'kysely';
import { writeZip } from '../../../packages/formats/src/testing/zips.ts';

const root = join(__dirname, '../../..');
const NAME = `inkwell_worker_${process.pid}`;
const ADA: Actor = {
  id: 'ada',
  name: 'Ada Finch',
  kind: 'person',
  disabled: false,
  memberships: [{ collection: null, role: 'administrator' }],
};
const PAGES = 40;
const PACKED = 60;

let admin: Database;
let db: Database;
let services: Services;
let url: string;
// Beside the installed packages, where what stays outside the bundle is found.
const folder = mkdtempSync(join(root, 'node_modules', '.worker-test-'));
const bundle = join(folder, 'worker.mjs');

/** As the commands do it. */
function bundled(entry: string, file: string): void {
  const built = spawnSync('bash', ['-c', '. bin/lib/machine.sh && bundle "$0" "$1"', `apps/worker/src/${entry}`, file], {
    cwd: root,
    encoding: 'utf8',
  });
  if (built.status !== 0) throw new Error(built.stderr);
}

beforeAll(async () => {
  const base = process.env.DATABASE_URL;
  if (!base) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
  bundled('main.ts', bundle);
  bundled('lookThread.ts', join(folder, 'look-thread.mjs'));
  admin = openDatabase({ url: base });
  await sql.raw(`create database ${NAME}`).execute(admin);
  url = Object.assign(new URL(base), { pathname: `/${NAME}` }).href;
  db = openDatabase({ url, most: 4 });
  services = { db, engine: HERE, now: () => new Date() };
  await migrate(db);
  await setPeople(db, [{ id: 'ada', name: 'Ada Finch', role: 'administrator' }]);
  await addCollection(db, { slug: 'many', title: 'Many', kind: 'site', scope: 'fragment' });
  const words = 'The keeper opens the gate at dawn and the boats come in one by one. '.repeat(200);
  for (let i = 0; i < PAGES; i++) {
    const html = `<h2>Page ${i}</h2><p>${words}</p>${'<p>See <img src="https://larkmoor.example/x.png"></p>'.repeat(5)}`;
    const brought = await bringIn(services, ADA, { collection: 'many', title: `Page ${i}`, incoming: { kind: 'text', text: html } });
    if (!brought.ok) throw new Error(brought.problem.what);
  }
}, 60_000);

afterAll(async () => {
  await db.destroy();
  await sql.raw(`drop database ${NAME}`).execute(admin);
  await admin.destroy();
  rmSync(folder, { recursive: true, force: true });
});

function startWorker(): ChildProcess {
  return spawn(process.execPath, [bundle], { env: { ...process.env, DATABASE_URL: url, INKWELL_LEASE: '1' }, stdio: 'ignore' });
}

const ended = (worker: ChildProcess) =>
  new Promise<void>((resolve) =>
    worker.exitCode !== null || worker.signalCode !== null ? resolve() : worker.once('exit', () => resolve()),
  );

/** Seeded numbers from 0 up to 1 (a linear congruential generator, Numerical Recipes). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const count = async (query: ReturnType<typeof sql<{ many: number }>>) => (await query.execute(db)).rows[0]!.many;
const old = () =>
  count(
    sql<{
      many: number;
    }>`select count(*)::integer as many from pages p join audits a on a.id = p.audit_id where a.engine <> ${ENGINE_VERSION}`,
  );

test('when the engine moves on, every page is audited again once, however often workers are killed meanwhile', async () => {
  await sql`update audits set engine = '0.0.1'`.execute(db);
  const before = await sql<{ state: string }>`select string_agg(f.id || f.standing, ' ' order by f.id) as state from findings f`.execute(
    db,
  );
  const next = seeded(41);
  let workers = [startWorker(), startWorker()];
  let kills = 0;
  for (const until = Date.now() + 100_000; (await old()) > 0 && Date.now() < until;) {
    await new Promise((resolve) => setTimeout(resolve, 150 + next() * 500));
    if (kills < 12) {
      const which = Math.floor(next() * workers.length);
      workers[which]!.kill('SIGKILL');
      await ended(workers[which]!);
      workers = workers.map((worker, i) => (i === which ? startWorker() : worker));
      kills++;
    }
  }
  // Jobs of the killed are given back when their lease runs out.
  for (
    const until = Date.now() + 20_000;
    Date.now() < until &&
    (await count(sql`select count(*)::integer as many from jobs where state in ('waiting', 'running') and kind <> 'end exceptions'`)) > 0;
  )
    await new Promise((resolve) => setTimeout(resolve, 200));
  for (const worker of workers) worker.kill('SIGTERM');
  await Promise.all(workers.map(ended));

  expect(kills).toBeGreaterThan(3);
  expect(await old()).toBe(0);
  const each = await sql<{ audits: number }>`select count(*)::integer as audits from audits group by page_id`.execute(db);
  expect(each.rows.map((row) => row.audits)).toEqual(Array.from({ length: PAGES }, () => 2));
  expect(
    await count(
      sql`select count(*)::integer as many from occurrences o where to_audit is null and not exists (select 1 from pages p
        where p.id = o.page_id)`,
    ),
  ).toBe(0);
  const after = await sql<{ state: string }>`select string_agg(f.id || f.standing, ' ' order by f.id) as state from findings f`.execute(db);
  expect(after.rows).toEqual(before.rows);
  const parents = await sql<{
    state: string;
    done: number;
    total: number;
  }>`select state, done, total from jobs where kind = 'audit all again' and total > 0`.execute(db);
  for (const parent of parents.rows) expect(parent).toEqual({ state: 'done', done: parent.total, total: parent.total });
}, 180_000);

/** Lets two workers do what waits, kills one after another and cuts every connection now and then, until all is done or time is up. */
async function amidKills(seed: number, isDone: () => Promise<boolean>): Promise<void> {
  const next = seeded(seed);
  let workers = [startWorker(), startWorker()];
  const killOne = async () => {
    const which = Math.floor(next() * workers.length);
    workers[which]!.kill('SIGKILL');
    await ended(workers[which]!);
    workers = workers.map((worker, i) => (i === which ? startWorker() : worker));
  };
  const cutAll = () =>
    sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = ${NAME} and pid <> pg_backend_pid()`
      .execute(admin)
      .catch(() => undefined);
  let kills = 0;
  for (const until = Date.now() + 90_000; Date.now() < until && !(await isDone());) {
    if (kills++ < 10) await (kills % 4 === 0 ? cutAll() : killOne());
    // Our own connections are cut too: what asks next finds that out first.
    await new Promise((resolve) => setTimeout(resolve, 150 + next() * 400));
  }
  for (const worker of workers) worker.kill('SIGTERM');
  await Promise.all(workers.map(ended));
}

test('a package sent twice at once comes in twice and exactly once each, however often workers are killed and connections cut', async () => {
  const words = 'The cut is open from dawn, and the keeper asks for a penny. '.repeat(150);
  const file = join(folder, 'course.zip');
  await writeZip(
    file,
    Array.from({ length: PACKED }, (_none, nth) => ({
      name: `page-${nth}.html`,
      data: `<h2>Page ${nth}</h2><p>${words}<a href="page-${(nth + 1) % PACKED}.html">Page after this</a> <img src="lock-${nth % 3}.png"></p>`,
    })),
  );
  const received = await Promise.all([0, 1].map(() => receivePackage(services, ADA, { name: 'course.zip', file })));
  const ids = received.map((one) => (one.ok ? one.value : 0));
  const states = async () => (await db.selectFrom('packages').select('state').where('id', 'in', ids).execute()).map(({ state }) => state);
  await amidKills(43, async () => {
    for (const id of ids) await acceptIntoShelf(services, ADA, { id, title: 'Course', types: {} }).catch(() => undefined);
    return (await states().catch(() => ['away'])).every((state) => state === 'here');
  });
  expect(await states()).toEqual(['here', 'here']);
  const { rows } = await sql<{ pages: number; audits: number; revisions: number; waiting: number }>`select count(*)::integer as pages,
      sum((select count(*) from audits a where a.page_id = p.id))::integer as audits,
      sum((select count(*) from revisions r where r.page_id = p.id))::integer as revisions,
      sum((select count(*) from arrivals w where w.page_id = p.id))::integer as waiting
    from pages p join packages k on k.collection_id = p.collection_id where k.id = any(${ids}::integer[]) group by k.id`.execute(db);
  const once = { pages: PACKED, audits: PACKED, revisions: PACKED, waiting: 0 };
  expect(rows).toEqual([once, once]);
}, 120_000);

test('a newer version comes in whole, each changed page once, however often workers are killed and connections cut', async () => {
  const words = 'The towpath is open from dawn, and the keeper waves a lamp. '.repeat(150);
  const page = (nth: number, text: string) => ({
    name: `page-${nth}.html`,
    data: `<h2>Walk ${nth}</h2><p>${text}${words}</p><p><img src="lamp.png"></p>`,
  });
  const send = async (name: string, pages: { name: string; data: string }[], newerOf?: string) => {
    const file = join(folder, name);
    await writeZip(file, pages);
    const received = await receivePackage(services, ADA, { name, file, newerOf });
    if (!received.ok) throw new Error(received.problem.what);
    const id = received.value;
    await amidKills(name.length, async () => {
      await acceptIntoShelf(services, ADA, { id, title: 'Walks', types: {} }).catch(() => undefined);
      return (
        (
          await db
            .selectFrom('packages')
            .select('state')
            .where('id', '=', id)
            .executeTakeFirst()
            .catch(() => undefined)
        )?.state === 'here'
      );
    });
    return id;
  };
  const numbers = Array.from({ length: 40 }, (_none, nth) => nth);
  await send(
    'walks.zip',
    numbers.map((nth) => page(nth, '')),
  );
  const slug = 'walks';
  const first = await desk(services, ADA, { collection: slug, page: 'walk-0' });
  if (!first.ok) throw new Error(first.problem.what);
  const { pageId, version, html } = first.value;
  await saveSource(services, ADA, { pageId, version, html: html.replace('Walk 0', 'The first walk') });
  // Half of the pages change, one goes, one comes.
  const newer = [...numbers.slice(0, 39).map((nth) => page(nth, nth % 2 === 0 ? 'New: ' : '')), page(99, '')];
  await send('walks-anew.zip', newer, slug);
  const { rows } = await sql<{ address: string; revisions: number; gone: boolean; waiting: number }>`select p.address,
      (select count(*)::integer from revisions r where r.page_id = p.id) as revisions, p.gone_at is not null as gone,
      (select count(*)::integer from arrivals w where w.page_id = p.id) as waiting
    from pages p join collections c on c.id = p.collection_id where c.slug = ${slug}`.execute(db);
  const revisionsOf = (nth: number) => (nth === 0 ? 4 : nth % 2 === 0 && nth < 39 ? 2 : 1);
  expect(rows.sort((a, b) => a.address.localeCompare(b.address, 'en', { numeric: true }))).toEqual(
    [...numbers, 99].map((nth) => ({ address: `page-${nth}.html`, revisions: revisionsOf(nth), gone: nth === 39, waiting: 0 })),
  );
}, 240_000);

const textsOf = async () =>
  (
    await sql<{ id: number; html: string }>`select p.id, t.html from pages p
      join revisions r on r.page_id = p.id and r.number = p.head join texts t on t.sha256 = r.text_sha256 where p.collection_id =
        (select id from collections where slug = 'many') order by p.id`.execute(db)
  ).rows;

test('one thing done to all uses of an image is done once on each page, and taken back whole, however often workers are killed', async () => {
  const before = await textsOf();
  const image = await sql<{ id: string }>`select id from things where name = 'https://larkmoor.example/x.png'`.execute(db);
  const made = await mend(services, ADA, {
    collection: 'many',
    register: 'images',
    chosen: { things: image.rows.map(({ id }) => id) },
    mend: { do: 'describe', alternative: 'A keeper at the gate' },
  });
  if (!made.ok) throw new Error(made.problem.what);
  const { together } = made.value;
  const look = async () => {
    const shown = await showMend(services, ADA, { together });
    if (!shown.ok) throw new Error(shown.problem.what);
    return shown.value;
  };
  const next = seeded(7);
  const killing = async (isOver: () => Promise<boolean>) => {
    let [workers, kills] = [[startWorker(), startWorker()], 0];
    for (const until = Date.now() + 60_000; Date.now() < until && !(await isOver());) {
      await new Promise((resolve) => setTimeout(resolve, 250 + next() * 300));
      if (kills >= 4) continue;
      workers.forEach((worker) => worker.kill('SIGKILL'));
      await Promise.all(workers.map(ended));
      workers = [startWorker(), startWorker()];
      kills++;
    }
    workers.forEach((worker) => worker.kill('SIGTERM'));
    await Promise.all(workers.map(ended));
    return kills;
  };
  expect(await killing(async () => (await look()).waiting === 0)).toBeGreaterThan(0);
  expect(await look()).toMatchObject({ waiting: 0, done: PAGES, left: [] });
  const described = await textsOf();
  expect(described.every(({ html }) => html.split('alt="A keeper at the gate"').length === 6)).toBe(true);
  const revisions = () =>
    count(sql`select max(n)::integer as many from (select count(*) as n from revisions r join pages p on p.id = r.page_id
      where p.id = any(${before.map(({ id }) => id)}) group by p.id) each`);
  const most = await revisions();
  expect(await unmakeMend(services, ADA, { together })).toMatchObject({ ok: true });
  await killing(async () => (await look()).returned === PAGES);
  expect(await textsOf()).toEqual(before);
  // Neither way made a revision twice.
  expect(await revisions()).toBeLessThanOrEqual(most + 1);
}, 240_000);

test('a worker ends exceptions whose day has passed, in the system’s name, and stops when it is told to', async () => {
  const shown = await desk(services, ADA, { collection: 'many', page: 'page-1' });
  if (!shown.ok) throw new Error(shown.problem.what);
  const past: Services = { ...services, now: () => new Date('2026-01-10T12:00:00Z') };
  const note = shown.value.notes.find((one) => one.weight === 'must')!;
  expect(
    await letStand(past, ADA, {
      pageId: shown.value.pageId,
      version: shown.value.version,
      findingId: note.id,
      reason: 'It is being redrawn.',
      until: '2026-01-20',
    }),
  ).toMatchObject({ ok: true });
  const worker = startWorker();
  const standing = async () =>
    (await sql<{ standing: string }>`select standing from findings where id = ${note.id}`.execute(db)).rows[0]!.standing;
  for (const until = Date.now() + 20_000; Date.now() < until && (await standing()) !== 'open';)
    await new Promise((resolve) => setTimeout(resolve, 100));
  expect(await standing()).toBe('open');
  worker.kill('SIGTERM');
  await ended(worker);
  expect(worker.exitCode).toBe(0);
  const { rows } = await sql<{
    by: string;
  }>`select made_by as by from standing_changes where finding_id = ${note.id} order by id desc limit 1`.execute(db);
  expect(rows).toEqual([{ by: 'system' }]);
}, 60_000);
