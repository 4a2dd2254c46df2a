import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { Migrator, sql } from 'kysely';
import { hashOf, migrate, openDatabase, SECRET_PLACE, type Database } from '../index.ts';
import { MIGRATIONS } from './index.ts';

let admin: Database;
let db: Database;
const NAME = `inkwell_before_${process.pid}`;

interface FormerFinding {
  id: number;
  slug: string;
  rule: string;
  told_weight: string;
  told_outcome: string;
  standing: string;
  ruled: string | null;
  until: string | null;
}

let before: {
  texts: { page_id: number; number: number; html: string }[];
  findings: FormerFinding[];
  signed: { slug: string; in_force: boolean }[];
  rulings: number;
  occurrences: number;
};

/** A database as the tables before 004 kept it, with undone, restored, ruled, excepted, expired, signed, lapsed and windows-1252 pages. */
beforeAll(async () => {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
  admin = openDatabase({ url });
  await sql.raw(`create database ${NAME}`).execute(admin);
  db = openDatabase({ url: Object.assign(new URL(url), { pathname: `/${NAME}` }).href, most: 3 });
  const dump = gunzipSync(readFileSync(join(__dirname, '../../fixtures/before-004.sql.gz'))).toString('utf8');
  await db.connection().execute(async (one) => {
    await sql.raw(dump).execute(one);
    await sql`set search_path = public`.execute(one);
    before = {
      texts: (
        await sql<{ page_id: number; number: number; html: string }>`select page_id, number, html from revisions order by 1, 2`.execute(one)
      ).rows,
      findings: (
        await sql<FormerFinding>`select f.id, p.slug, f.rule, f.told_weight, f.told_outcome, f.standing, f.ruled, to_char(w.until,
          'YYYY-MM-DD') as until
        from findings f join pages p on p.id = f.page_id left join waivers w on w.finding_id = f.id and w.ended_at is null
          order by f.id`.execute(one)
      ).rows,
      signed: (
        await sql<{
          slug: string;
          in_force: boolean;
        }>`select p.slug, s.lapsed_at is null as in_force from sign_offs s join pages p on p.id = s.page_id order by s.id`.execute(one)
      ).rows,
      rulings: (await sql`select 1 from rulings`.execute(one)).rows.length,
      occurrences: (await sql`select 1 from occurrences`.execute(one)).rows.length,
    };
  });
  await migrate(db);
}, 60_000);

afterAll(async () => {
  await db.destroy();
  await sql.raw(`drop database ${NAME}`).execute(admin);
  await admin.destroy();
});

test('what is carried over is worth carrying: every kind of decision is in it', () => {
  expect(before.texts.length).toBeGreaterThan(40);
  expect(new Set(before.findings.map((finding) => finding.standing))).toEqual(
    new Set(['open', 'in hand', 'fixed', 'returned', 'ruled out', 'waived']),
  );
  expect(new Set(before.findings.map((finding) => finding.ruled))).toEqual(new Set([null, 'stands', 'no problem', 'not sure']));
  expect(before.signed.map((one) => one.in_force)).toEqual(expect.arrayContaining([true, false]));
});

test('every text is the same, unit for unit, under the hash of it', async () => {
  const { rows } = await sql<{
    page_id: number;
    number: number;
    html: string;
    sha256: string;
  }>`select page_id, number, t.html, t.sha256 from revisions r join texts t on t.sha256 = r.text_sha256 order by 1, 2`.execute(db);
  expect(rows.map(({ page_id, number, html }) => ({ page_id, number, html }))).toEqual(before.texts);
  for (const row of rows) expect(row.sha256).toBe(hashOf(row.html));
  expect(await db.selectFrom('revisions').select(['encoding']).where('encoding', '=', 'windows-1252').execute()).toHaveLength(2);
});

test('every decision is what it was; only what was "in hand" and "waived" has another name', async () => {
  const { rows } =
    await sql<FormerFinding>`select f.id, p.slug, k.rule, k.weight as told_weight, k.outcome as told_outcome, f.standing, f.ruled,
      to_char(f.excepted_until, 'YYYY-MM-DD') as until
    from findings f join kinds k on k.id = f.kind_id join pages p on p.id = f.page_id order by f.id`.execute(db);
  const renamed: Record<string, string> = { waived: 'excepted', 'in hand': 'open' };
  expect(rows).toEqual(before.findings.map((finding) => ({ ...finding, standing: renamed[finding.standing] ?? finding.standing })));
  expect(await db.selectFrom('rulings').selectAll().execute()).toHaveLength(before.rulings);
});

test('whoever was not sure has a question that waits for a specialist', async () => {
  const unsure = before.findings.filter((finding) => finding.standing === 'in hand').map((finding) => finding.id);
  const waiting = await db.selectFrom('questions').select(['finding_id', 'waits_for']).where('answered_at', 'is', null).execute();
  expect(waiting).toEqual(unsure.map((id) => ({ finding_id: id, waits_for: 'specialist' })));
});

// The one decision that changes, with its cause: an exception was ended under a sign-off, and the page stood signed off with an open must.
const CHANGED: Record<string, string> = { 'signed-exception-ended': 'decision' };

test('every sign-off is as it was, but those that had no ground any more: these are named with their cause', async () => {
  const { rows } = await sql<{
    slug: string;
    in_force: boolean;
    because: string | null;
  }>`select p.slug, s.lapsed_at is null as in_force, lapsed_because as because from sign_offs s join pages p on p.id = s.page_id
    order by s.id`.execute(db);
  const changed = rows.filter((row, i) => row.in_force !== before.signed[i]!.in_force);
  expect(rows.map((row) => row.slug)).toEqual(before.signed.map((one) => one.slug));
  expect(Object.fromEntries(changed.map((row) => [row.slug, row.because]))).toEqual(CHANGED);
  const causes = rows.filter((row) => !row.in_force && !(row.slug in CHANGED)).map((row) => [row.slug, row.because]);
  expect(causes).toEqual([
    ['lapsed-by-a-change', 'text'],
    ['lapsed-by-an-answer', 'decision'],
  ]);
});

test('each former row of places is an interval, and the newest of each finding is open', async () => {
  const { rows } = await sql<{
    many: number;
    open: number;
    wrong: number;
  }>`select count(*)::integer as many, (count(*) filter (where to_audit is null))::integer as open,
    (count(*) filter (where to_audit is null and from_audit <> p.audit_id))::integer as wrong from occurrences o
      join pages p on p.id = o.page_id`.execute(db);
  const there = before.findings.filter((finding) => finding.standing !== 'fixed').length;
  expect(rows[0]).toEqual({ many: before.occurrences, open: there, wrong: 0 });
});

test('the status rows count what stood open, and know the sign-offs', async () => {
  const status = (slug: string) =>
    db
      .selectFrom('page_status')
      .innerJoin('pages', 'pages.id', 'page_status.page_id')
      .select(['must', 'holding', 'verdict', 'release'])
      .where('slug', '=', slug)
      .executeTakeFirst();
  expect(await status('twins')).toMatchObject({ must: 2, holding: 2, verdict: 'held', release: 'draft' });
  const twins = await db
    .selectFrom('page_status')
    .innerJoin('pages', 'pages.id', 'page_status.page_id')
    .select(['families', 'counts'])
    .where('slug', '=', 'twins')
    .executeTakeFirstOrThrow();
  expect(twins.families.reduce((sum, many) => sum + many, 0)).toBe(twins.counts.reduce((sum, [, , , many]) => sum + many, 0));
  expect(await status('excepted-and-signed')).toMatchObject({ must: 0, verdict: 'ready', release: 'signed off' });
  expect(await status('signed-exception-ended')).toMatchObject({ verdict: 'held', release: 'lapsed' });
  expect(await status('signed-exception-ran-out-unseen')).toMatchObject({ verdict: 'held' });
  expect(await status('not-sure')).toMatchObject({ verdict: 'judge' });
});

test('people keep the part they had, for all collections', async () => {
  const rows = await db.selectFrom('memberships').select(['person_id', 'role', 'collection_id']).orderBy('person_id').execute();
  expect(rows).toContainEqual({ person_id: 'ruth-pender', role: 'publisher', collection_id: null });
  expect(rows).toHaveLength(5);
});

test('files are the same bytes in pieces', async () => {
  const { rows } = await sql<{
    size: number;
    bytes: Buffer;
  }>`select size, string_agg(p.bytes, ''::bytea order by nth) as bytes from files f join file_pieces p on p.sha256 = f.sha256
    group by f.sha256, size`.execute(db);
  expect(rows).toHaveLength(1);
  expect(rows[0]!.bytes.length).toBe(rows[0]!.size);
  expect(rows[0]!.bytes.toString('utf8')).toContain('{');
});

describe('from the version before signatures ended', () => {
  const OWN = `inkwell_before_031_${process.pid}`;
  let older: Database;

  beforeAll(async () => {
    await sql.raw(`create database ${OWN}`).execute(admin);
    older = openDatabase({ url: Object.assign(new URL(process.env.DATABASE_URL!), { pathname: `/${OWN}` }).href, most: 3 });
    const dump = gunzipSync(readFileSync(join(__dirname, '../../fixtures/before-004.sql.gz'))).toString('utf8');
    await older.connection().execute(async (one) => {
      await sql.raw(dump).execute(one);
      await sql`set search_path = public`.execute(one);
    });
    const migrator = new Migrator({ db: older, provider: { getMigrations: async () => MIGRATIONS } });
    const { error } = await migrator.migrateTo('030-host-files');
    if (error) throw error as Error;
    // One page, signed by one person under two versions of the standard, and by another on an older text.
    await sql`insert into profile_versions overriding system value select * from jsonb_populate_record(null::profile_versions, (select to_jsonb(v)
        || jsonb_build_object('id', 9001, 'version', 9001) from profile_versions v order by id limit 1))`.execute(older);
    await sql`insert into signatures (page_id, revision, profile_version_id, signed_by, signed_at)
      select p.id, p.head - s.back, s.profile, 'system', now() - make_interval(hours => s.hours)
      from (select id, head from pages where head > 1 order by id limit 1) p,
        (values (0, (select min(id) from profile_versions), 3), (0, 9001, 2), (1, 9001, 5)) s (back, profile, hours)`.execute(older);
    await sql`insert into messages (person_id, address, subject, body, sent_at) values
      (null, 'a@larkmoor.example', 'x', E'Hello\n\nhttp://127.0.0.1/link/waits\n\nGoodbye', null),
      (null, 'b@larkmoor.example', 'x', E'Hello\n\nhttp://127.0.0.1/link/went\n\nGoodbye', now())`.execute(older);
    await migrate(older);
  }, 60_000);

  afterAll(async () => {
    await older.destroy();
    await sql.raw(`drop database ${OWN}`).execute(admin);
  });

  test('of what one person signed on a page the newest counts, and nothing of an older text', async () => {
    const { rows } = await sql<{ profile: number; ended: boolean }>`select profile_version_id as profile, ended_at is not null as ended
      from signatures order by signed_at`.execute(older);
    expect(rows).toEqual([
      { profile: 9001, ended: true },
      { profile: expect.any(Number) as number, ended: true },
      { profile: 9001, ended: false },
    ]);
  });

  test('secrets stand in no words of messages; one that was not sent yet still goes out', async () => {
    const { rows } = await sql<{ body: string; secret: string | null }>`select body, secret from messages order by address`.execute(older);
    expect(rows).toEqual([
      { body: `Hello\n\n${SECRET_PLACE}\n\nGoodbye`, secret: 'http://127.0.0.1/link/waits' },
      { body: `Hello\n\n${SECRET_PLACE}\n\nGoodbye`, secret: null },
    ]);
  });
});
