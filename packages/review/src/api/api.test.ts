import { sql } from 'kysely';
import { auditPage, parsePage, reported } from '@inkwell/core';
import {
  actorOfToken,
  decideOn,
  endToken,
  findingsTold,
  fix,
  newToken,
  pageTold,
  putPage,
  THE_SYSTEM,
  type FindingFilters,
  type Result,
} from '../index.ts';
import { bench, INES, personAs, SAM, UMA } from '../testing/bench.ts';

const { services, db, SLUG, look, page } = bench();
const HTML = '<h2>Wax</h2><p><img src="hive.png"></p><p>A <b>bold word</b> here.</p><p><a href="x.html">here</a></p>';

function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`${result.problem.what} ${result.problem.why ?? ''}`);
  return result.value;
}
const told = async (filters: FindingFilters = {}, after = 0, limit = 500) =>
  value(await findingsTold(services, INES, { collection: SLUG, after, limit, filters }));

beforeAll(async () => {
  await sql`insert into people (id, name, email) values (${`api-${process.pid}`}, 'Api Keeper', ${`api-${process.pid}@larkmoor.example`})
    on conflict do nothing`.execute(db());
  await sql`insert into memberships (person_id, role) values (${`api-${process.pid}`}, 'author')`.execute(db());
});

test('findings are told as an audit of the page has them, at the very places where they stand now', async () => {
  const view = await page(HTML);
  // An edit before them moves them; the second audit writes no place anew.
  value(
    await putPage(services, INES, { id: view.pageId, collection: SLUG, version: view.version, html: `<p>Words before it all.</p>${HTML}` }),
  );
  const { html } = value(await pageTold(services, INES, { id: view.pageId, collection: null })).page;
  const { findings } = await told({ page: [String(view.pageId)] });
  const audited = auditPage(parsePage(html!, { scope: 'fragment' })).findings.map(reported);
  let compared = 0;
  for (const finding of findings) {
    const { page: on, standing, assignee, firstRevision } = finding;
    const same = audited.find((one) => one.rule === finding.rule && one.at.path === finding.at.path);
    // What only the collection knows, such as a file that is not there, no lone audit finds.
    if (!same) continue;
    compared++;
    expect([finding.rule, finding.at, finding.fingerprint]).toEqual([same.rule, same.at, same.fingerprint]);
    expect([on.id, standing, assignee, firstRevision >= 1]).toEqual([view.pageId, 'open', null, true]);
  }
  expect(compared).toBeGreaterThan(2);
  expect(compared).toBe(audited.filter(({ rule }) => findings.some((one) => one.rule === rule)).length);
});

test('they are filtered by what is said, and come in parts that miss and repeat nothing', async () => {
  const view = await page(HTML);
  const all = (await told()).findings.map(({ id }) => id);
  const parts: number[] = [];
  for (let after = 0, next: number | null = 0; next !== null; after = next ?? 0) {
    const part: Awaited<ReturnType<typeof told>> = await told({}, after, 3);
    parts.push(...part.findings.map(({ id }) => id));
    next = part.next;
  }
  expect(parts).toEqual(all);
  const own = { page: [String(view.pageId)] };
  const images = (await told({ ...own, family: ['images'] })).findings;
  expect(images.length).toBeGreaterThan(0);
  expect(images.every(({ family }) => family === 'images')).toBe(true);
  expect((await told({ ...own, criterion: ['1.1.1'] })).findings.every(({ criteria }) => criteria.includes('1.1.1'))).toBe(true);
  expect((await told({ ...own, family: ['images', 'links'], weight: ['must'] })).findings.map(({ weight }) => weight)).toContain('must');
  const note = (await look(view.slug)).notes.find(({ rule }) => rule === 'images/no-alternative')!;
  const on = { pageId: view.pageId, version: view.version, findingId: note.id };
  value(await fix(services, INES, { ...on, remedy: 'describe', inputs: { alt: 'A hive of pine boards on a stand' } }));
  expect((await told({ ...own, standing: ['fixed'] })).findings.map(({ id }) => id)).toEqual([note.id]);
});

test('as many statements for five hundred findings as for two', async () => {
  for (let nth = 0; nth < 4; nth++) await page(HTML);
  const counted = async (limit: number) => {
    let queries = 0;
    const heard = services.db.withPlugin({
      transformQuery: ({ node }) => (queries++, node),
      transformResult: ({ result }) => Promise.resolve(result),
    });
    await findingsTold({ ...services, db: heard }, INES, { collection: SLUG, after: 0, limit, filters: {} });
    return queries;
  };
  expect(await counted(500)).toBe(await counted(2));
});

test('decisions go through the door of the screens: who may, what may, and how it stands then', async () => {
  const view = await page(HTML);
  const notes = (await look(view.slug)).notes;
  const failed = notes.find(({ rule }) => rule === 'images/no-alternative')!.id;
  const question = notes.find(({ outcome }) => outcome === 'cantTell')?.id;
  const decide = (id: number, decision: Parameters<typeof decideOn>[2]['decision'], actor = INES) =>
    decideOn(services, actor, { id, collection: SLUG, decision });
  expect(await decide(failed, { kind: 'rule', answer: 'no problem' })).toMatchObject({ ok: false });
  const until = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10);
  expect(await decide(failed, { kind: 'except', reason: 'It is replaced next week.', until }, UMA)).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
  expect(value(await decide(failed, { kind: 'except', reason: 'It is replaced next week.', until }))).toMatchObject({
    id: failed,
    standing: 'excepted',
  });
  if (question !== undefined)
    expect(value(await decide(question, { kind: 'rule', answer: 'no problem' }, UMA))).toMatchObject({ standing: 'ruled out' });
  const link = notes.find(({ family }) => family === 'links')!.id;
  const to = { kind: 'assign' as const, due: null, words: '', site: '' };
  expect(value(await decide(link, { ...to, to: `api-${process.pid}@larkmoor.example` }))).toMatchObject({
    assignee: { name: 'Api Keeper' },
  });
  expect(value(await decide(link, { ...to, to: null }))).toMatchObject({ assignee: null });
  expect(await decide(link, { ...to, to: 'nobody@larkmoor.example' })).toMatchObject({ ok: false });
  const elsewhere = { ...INES, memberships: [{ collection: 2_000_000_000, role: 'reviewer' as const }] };
  expect(await decide(link, { ...to, to: null }, elsewhere)).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  expect(await decideOn(services, INES, { id: link, collection: 'another', decision: { ...to, to: null } })).toMatchObject({ ok: false });
});

test('a token is kept as a sum alone, is good until its end, for whoever has not left, and is made by who may', async () => {
  const wish = { name: `T ${process.pid}`, as: `api-${process.pid}@larkmoor.example`, reach: ['read' as const], days: 1 };
  const { token } = value(await newToken(services, THE_SYSTEM, wish));
  const kept = await sql<{ sum: string }>`select sum from tokens where name = ${wish.name}`.execute(db());
  expect(kept.rows).toHaveLength(1);
  expect(token).not.toContain(kept.rows[0]!.sum);
  expect(await actorOfToken(services, token)).toMatchObject({ actor: { name: 'Api Keeper' }, reach: new Set(['read']) });
  expect(await actorOfToken(services, `${token.slice(0, -1)}x`)).toBeNull();
  expect(await newToken(services, SAM, wish)).toMatchObject({ ok: false, problem: { code: 'duplicate' } });
  for (const role of ['reviewer', 'author', 'publisher', 'specialist'] as const)
    expect(await newToken(services, personAs(role), { ...wish, name: 'x' })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
  await sql`update people set disabled_on = current_date where id = ${`api-${process.pid}`}`.execute(db());
  expect(await actorOfToken(services, token)).toBeNull();
  await sql`update people set disabled_on = null where id = ${`api-${process.pid}`}`.execute(db());
  value(await endToken(services, SAM, { name: wish.name }));
  expect(await actorOfToken(services, token)).toBeNull();
  expect(value(await newToken(services, SAM, { ...wish, days: 0 })).token).toBeTruthy();
});
