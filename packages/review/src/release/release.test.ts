import { sql } from 'kysely';
import { openDatabase, type Database } from '@inkwell/store';
import { faultProxy, type FaultProxy } from '../../../host/src/testing/faultProxy.ts';
import { serveHost } from '../../../host/src/server/serve.ts';
import {
  acceptIntoShelf,
  askPublication,
  bringFromHost,
  examineArrivals,
  readPackage,
  unpackPackage,
  connect,
  callPublicationOff,
  desk,
  letStand,
  lookAtHost,
  lookedAt,
  LOOKS,
  newHost,
  runPublication,
  saveSource,
  seePublic,
  setSigning,
  settleBoth,
  showGate,
  signMany,
  signOff,
  THE_SYSTEM,
  type Result,
} from '../index.ts';
import { bench, INES, RUTH, SAM, UMA } from '../testing/bench.ts';

const { services, db, at, page, look, SLUG, collection, onDay } = bench();
const TOKEN = 'a token of the host';
const NAME = `inkwell_host_${process.pid}`;
const GOOD = '<h2>The hive</h2>\n<p>Boxes stand one above the other.</p>';

let admin: Database;
let host: Awaited<ReturnType<typeof serveHost>>;
let proxy: FaultProxy;
let hostId: number;

beforeAll(async () => {
  const url = process.env.DATABASE_URL!;
  admin = openDatabase({ url });
  await sql.raw(`create database ${NAME}`).execute(admin);
  host = await serveHost({ database: Object.assign(new URL(url), { pathname: `/${NAME}` }).href, port: 0, token: TOKEN, checker: null });
  proxy = await faultProxy(
    host.port,
    async (path) => void (await there('PUT', path.replace(/^\/|\/publish$/g, ''), { parts: [{ name: 'main', html: '<p>x</p>' }] })),
    300,
  );
  process.env.INKWELL_HOSTS = process.env.INKWELL_PRIVATE_HOSTS = new URL(proxy.address).host;
  process.env.INKWELL_SECRET ??= 'a secret for tests, and for nothing else at all';
  await there('PUT', 'api/places/bees', { title: 'Bees' });
  hostId = value(
    await newHost(services, SAM, { name: `The college site ${process.pid}`, kind: 'host', address: proxy.address, token: TOKEN }),
  ).id;
});

afterAll(async () => {
  proxy.stop();
  await host.stop();
  await sql.raw(`drop database ${NAME}`).execute(admin);
  await admin.destroy();
});

afterEach(() => proxy.set('none'));

function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`${result.problem.what}: ${result.problem.why ?? ''}`);
  return result.value;
}

/** Asks the host itself, past the proxy, as its own people do. */
async function there(
  method: string,
  path: string,
  body?: object,
): Promise<{ tag: string; id: string; public: string | null; parts: { html: string }[] }> {
  const address = `http://127.0.0.1:${host.port}/${path}`;
  const headers = { authorization: `Bearer ${TOKEN}`, 'content-type': 'application/json' };
  const tag =
    method === 'PUT' && path.includes('/pages/') ? ((await (await fetch(address, { headers })).json()) as { tag: string }).tag : '';
  const answer = await fetch(address, {
    method,
    headers: { ...headers, 'if-match': `"${tag}"` },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status}`);
  return (await answer.json()) as { tag: string; id: string; public: string | null; parts: { html: string }[] };
}

const shownAt = async (path: string) => (await fetch(`http://127.0.0.1:${host.port}${path}`)).text();
let many = 0;

/** A page that is on the host and here, and says the same on both. */
async function both(html = GOOD) {
  const view = await page(html, `Hive ${++many}`);
  const { address } = await db().selectFrom('pages').select('address').where('id', '=', view.pageId).executeTakeFirstOrThrow();
  const made = await there('POST', 'api/places/bees/pages', {
    address,
    title: view.title,
    kind: 'lesson',
    parts: [{ name: 'main', html }],
  });
  value(await connect(services, RUTH, { collection: SLUG, host: hostId, place: 'bees' }));
  await lookAtHost(services, { collection: collection() });
  return { view, remote: `api/pages/${made.id}`, address: `/site/bees/${address}` };
}

async function signed(html = GOOD) {
  const on = await both(html);
  value(await signOff(services, RUTH, at(on.view)));
  return on;
}

/** Publishes as the worker does, with as many tries as it has. */
async function run(pageId: number, tries = 5): Promise<{ state: string; problem: string | null; tries: number }> {
  const one = () =>
    db().selectFrom('publications').selectAll().where('page_id', '=', pageId).orderBy('id', 'desc').executeTakeFirstOrThrow();
  const { id } = await one();
  for (let nth = 1; nth <= tries; nth++) await runPublication(services, { publication: id, last: nth === tries }).catch(() => undefined);
  return one();
}

const publish = async (pageId: number, when: Date | null = null) =>
  value(await askPublication(services, RUTH, { which: [pageId], act: 'publish', at: when }));
const releaseOf = async (slug: string) => (await look(slug)).release;
const stateOf = async (pageId: number) =>
  (await db().selectFrom('host_pages').selectAll().where('page_id', '=', pageId).executeTakeFirst())!;

describe('a page goes out', () => {
  test('is published when the public side reads so, byte for byte, and taken off again', async () => {
    const { view, address } = await signed('<h2>Öffnung</h2>\n<p>A “hive”\u00a0&amp; its boxes.</p>\n');
    expect(await publish(view.pageId)).toEqual({ done: 1, left: [] });
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect(await releaseOf(view.slug)).toBe('published');
    expect(await shownAt(address)).toContain('<!--content--><h2>Öffnung</h2>\n<p>A “hive”\u00a0&amp; its boxes.</p>\n<!--/content-->');
    value(await askPublication(services, RUTH, { which: [view.pageId], act: 'unpublish', at: null }));
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect([await releaseOf(view.slug), (await shownAt(address)).includes('Öffnung')]).toEqual(['signed off', false]);
  });

  test('what was fixed here goes there as a draft first, under the tag it was seen with', async () => {
    const { view, remote, address } = await both();
    const text = GOOD.replace('Boxes', 'Wooden boxes');
    value(await saveSource(services, INES, { ...at(view), html: text }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    await run(view.pageId);
    expect([(await there('GET', remote)).parts[0]!.html, (await shownAt(address)).includes('Wooden boxes')]).toEqual([text, true]);
  });

  test('pages of several parts keep them', async () => {
    const parts = [
      { name: 'main', html: '<h2>One</h2>\n<p>Text.</p>\n' },
      { name: 'aside', html: '<h2>Beside</h2>\n<p>Note.</p>\n' },
    ];
    const made = await there('POST', 'api/places/bees/pages', {
      address: `parts-${many}.html`,
      title: `Parts ${many}`,
      kind: 'lesson',
      parts,
    });
    await both();
    const found = await db()
      .selectFrom('host_pages')
      .select('page_id')
      .where('remote', '=', made.id)
      .where('collection_id', '=', collection())
      .executeTakeFirstOrThrow();
    const { slug } = await db().selectFrom('pages').select('slug').where('id', '=', found.page_id).executeTakeFirstOrThrow();
    const view = await look(slug);
    const html = `${parts[0]!.html}<!-- part: aside -->\n${parts[1]!.html}`;
    expect(view.html).toBe(html);
    value(await saveSource(services, INES, { ...at(view), html: html.replace('Note.', 'A longer note.') }));
    value(await signOff(services, RUTH, at(await look(slug))));
    await publish(view.pageId);
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect((await there('GET', `api/pages/${made.id}`)).parts).toEqual([
      parts[0],
      { name: 'aside', html: '<h2>Beside</h2>\n<p>A longer note.</p>\n' },
    ]);
  });

  test('goes out at a time, and can be called off until then', async () => {
    const { view } = await signed();
    await publish(view.pageId, new Date(Date.now() + 3_600_000));
    const job = await sql<{
      late: boolean;
    }>`select run_after > now() + interval '50 minutes' as late from jobs where kind = 'publish a page'
      order by id desc limit 1`.execute(db());
    expect(job.rows).toEqual([{ late: true }]);
    expect(value(await callPublicationOff(services, RUTH, { which: [view.pageId] }))).toMatchObject({ done: 1 });
    expect(await run(view.pageId)).toMatchObject({ state: 'called off' });
    expect(await releaseOf(view.slug)).toBe('signed off');
  });

  test('who may not publish is refused; what is not signed off as it stands is left and named', async () => {
    const { view } = await both();
    expect(await askPublication(services, INES, { which: [view.pageId], act: 'publish', at: null })).toMatchObject({ ok: false });
    expect(await publish(view.pageId)).toEqual({ done: 0, left: [{ title: view.title, why: 'It is not signed off as it stands.' }] });
  });
});

describe('what goes wrong there is told, and nothing is called published that is not', () => {
  const cases = [
    ['down', /broke off|does not answer/],
    ['slow', /in time/],
    ['nonsense', /no JSON/],
    ['truncates', /cut short/],
    ['lies', /shows/],
  ] as const;
  test.each(cases)('a host that is or does: %s', async (fault, why) => {
    const { view } = await signed();
    await publish(view.pageId);
    proxy.set(fault);
    process.env.INKWELL_HOST_SECONDS = '0.15';
    const after = await run(view.pageId);
    delete process.env.INKWELL_HOST_SECONDS;
    expect([after.state, after.problem]).toEqual(['failed', expect.stringMatching(why)]);
    expect([await releaseOf(view.slug), after.tries]).toEqual(['signed off', 4]);
    // The host said it published these: they stand with what differs there until they are read back or taken off.
    const unread = ['truncates', 'lies'].includes(fault);
    const drifted = value(await showGate(services, RUTH, { group: 'drifted', collection: SLUG, after: null })).rows;
    expect(drifted.some(({ id }) => id === view.pageId)).toBe(unread);
    // Once it is well again, it goes out.
    proxy.set('none');
    await publish(view.pageId);
    expect([(await run(view.pageId)).state, await releaseOf(view.slug)]).toEqual(['done', 'published']);
  });

  test('a page that shows otherwise than it was sent is taken off', async () => {
    const { view, address } = await signed();
    await publish(view.pageId);
    proxy.set('truncates');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed' });
    proxy.set('none');
    expect(await shownAt(address)).toContain('Boxes');
    expect(value(await askPublication(services, RUTH, { which: [view.pageId], act: 'unpublish', at: null })).done).toBe(1);
    expect(await run(view.pageId)).toMatchObject({ state: 'done' });
    expect([(await shownAt(address)).includes('Boxes'), (await stateOf(view.pageId)).drifted_at]).toEqual([false, null]);
  });

  test('a host that says it took a page off, and did not', async () => {
    const { view } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    value(await askPublication(services, RUTH, { which: [view.pageId], act: 'unpublish', at: null }));
    proxy.set('lies');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('still shows it') });
    expect(await releaseOf(view.slug)).toBe('published');
  });

  test('a time that is none is refused', async () => {
    const { view } = await signed();
    const wish = { which: [view.pageId], act: 'publish' as const, at: new Date('2026-99-99T00:00:00Z') };
    expect(await askPublication(services, RUTH, wish)).toMatchObject({ ok: false, problem: { code: 'bad-page' } });
  });

  test('a host that shows yesterday’s page with 200', async () => {
    const { view } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    value(await saveSource(services, INES, { ...at(await look(view.slug)), html: `${GOOD}\n<p>Today.</p>` }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    proxy.set('yesterday');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('another text') });
    expect(await releaseOf(view.slug)).toBe('signed off');
  });

  test('a page that is changed there between the check and publication is not published, and nothing is written over it', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    proxy.set('changed');
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('changed on the host') });
    expect([(await there('GET', remote)).public, (await there('GET', remote)).parts[0]!.html]).toEqual([null, '<p>x</p>']);
  });

  test('a page that is changed here between the sign-off and its time stays in', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    value(await saveSource(services, INES, { ...at(await look(view.slug)), html: `${GOOD}<p>More.</p>` }));
    expect(await run(view.pageId)).toMatchObject({ state: 'failed', problem: expect.stringContaining('at revision 2 by now') });
    expect((await there('GET', remote)).public).toBeNull();
  });

  test('an exception that runs out before its time keeps the page in', async () => {
    const { view, remote } = await both('<h2>Hive</h2><p>A <img src="hive.png"></p>');
    const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
    value(await letStand(services, INES, { ...at(view), findingId: view.notes[0]!.id, reason: 'It is being redrawn.', until: tomorrow }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId, new Date(Date.now() + 5 * 86_400_000));
    onDay(new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10));
    const after = await run(view.pageId);
    onDay(null);
    expect([after.state, (await there('GET', remote)).public]).toEqual(['failed', null]);
  });
});

describe('what changes there', () => {
  test('comes here as a revision, and ends the sign-off', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    await there('PUT', remote, { parts: [{ name: 'main', html: '<h2></h2>' }] });
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ pulled: 1, both: 0 });
    const after = await look(view.slug);
    expect([after.revision.number, after.release, after.verdict]).toEqual([2, 'lapsed', 'held']);
    expect(after.revision).toMatchObject({ cause: 'pulled', by: 'Ruth Pender' });
    // What readers are shown is still what was signed: only the draft changed.
    await seePublic(services, THE_SYSTEM, { collection: collection() });
    expect((await stateOf(view.pageId)).drifted_at).toBeNull();
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ pulled: 0 });
  });

  test('a page that is new there comes here with its address, whatever folder it lies in', async () => {
    await both();
    const made = await there('POST', 'api/places/bees/pages', {
      address: `unit/new-${many}.html`,
      title: `New ${many}`,
      kind: 'lesson',
      parts: [{ name: 'main', html: '<h2>New</h2>' }],
    });
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ fresh: 1 });
    const row = await db()
      .selectFrom('host_pages')
      .innerJoin('pages', 'pages.id', 'page_id')
      .select(['address', 'content_type'])
      .where('remote', '=', made.id)
      .where('host_pages.collection_id', '=', collection())
      .executeTakeFirstOrThrow();
    expect(row).toEqual({ address: `unit/new-${many}.html`, content_type: 'lesson' });
  });

  test('where both changed, neither is written over until somebody says so', async () => {
    const { view, remote } = await both();
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>Here.</p>` }));
    await there('PUT', remote, { parts: [{ name: 'main', html: `${GOOD}<p>There.</p>` }] });
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ both: 1, pulled: 0 });
    expect(
      value(await showGate(services, RUTH, { group: 'drifted', collection: SLUG, after: null })).rows.map(({ id, host: on }) => [
        id,
        on?.state,
      ]),
    ).toContainEqual([view.pageId, 'changed on both']);
    expect([(await look(view.slug)).html, (await there('GET', remote)).parts[0]!.html]).toEqual([
      `${GOOD}<p>Here.</p>`,
      `${GOOD}<p>There.</p>`,
    ]);
    value(await settleBoth(services, INES, { collection: SLUG, page: view.pageId, take: 'theirs' }));
    expect([(await look(view.slug)).html, (await stateOf(view.pageId)).state]).toEqual([`${GOOD}<p>There.</p>`, 'same']);
  });

  test('at the first look an earlier revision there is older, and ours goes out; what is none is told, and stays so', async () => {
    const made = await page(GOOD, `Hive ${++many}`);
    value(await saveSource(services, INES, { ...at(made), html: `${GOOD}<p>Here.</p>` }));
    const other = await page(GOOD, `Hive ${++many}`);
    for (const [view, html] of [
      [made, GOOD],
      [other, `${GOOD}<p>There.</p>`],
    ] as const) {
      const { address } = await db().selectFrom('pages').select('address').where('id', '=', view.pageId).executeTakeFirstOrThrow();
      await there('POST', 'api/places/bees/pages', { address, title: view.title, kind: 'lesson', parts: [{ name: 'main', html }] });
    }
    for (let nth = 0; nth < 2; nth++) expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ pulled: 0 });
    expect([(await stateOf(made.pageId)).state, (await stateOf(other.pageId)).state]).toEqual(['same', 'changed on both']);
    expect([(await look(made.slug)).html, (await look(other.slug)).html]).toEqual([`${GOOD}<p>Here.</p>`, GOOD]);
    value(await signOff(services, RUTH, at(await look(made.slug))));
    await publish(made.pageId);
    expect((await run(made.pageId)).state).toBe('done');
  });

  test('ours is taken over that very draft', async () => {
    const { view, remote } = await both();
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>Here.</p>` }));
    await there('PUT', remote, { parts: [{ name: 'main', html: `${GOOD}<p>There.</p>` }] });
    await lookAtHost(services, { collection: collection() });
    value(await settleBoth(services, INES, { collection: SLUG, page: view.pageId, take: 'ours' }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    expect((await run(view.pageId)).state).toBe('done');
    expect((await there('GET', remote)).parts[0]!.html).toBe(`${GOOD}<p>Here.</p>`);
  });

  test('a public page that shows something else has drifted, until it does so no more', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    await there('PUT', remote, { parts: [{ name: 'main', html: '<p>Another text.</p>' }] });
    const { tag } = await there('GET', remote);
    const out = (path: string, method: string) =>
      fetch(`http://127.0.0.1:${host.port}/${path}`, { method, headers: { authorization: `Bearer ${TOKEN}`, 'if-match': `"${tag}"` } });
    await out(`${remote}/publish`, 'POST');
    await seePublic(services, THE_SYSTEM, { collection: collection() });
    expect((await stateOf(view.pageId)).drifted_at).not.toBeNull();
    expect(value(await showGate(services, RUTH, { group: 'drifted', collection: SLUG, after: null })).rows.map(({ id }) => id)).toContain(
      view.pageId,
    );
  });

  test('a page that has gone there is told, and stays here', async () => {
    const { view } = await both();
    await db().updateTable('host_pages').set({ remote: '999999' }).where('page_id', '=', view.pageId).execute();
    await db().updateTable('pages').set({ address: 'elsewhere.html' }).where('id', '=', view.pageId).execute();
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ gone: 1 });
    expect((await stateOf(view.pageId)).state).toBe('gone there');
  });
});

describe('a collection comes from its host', () => {
  test('in the order and by the titles it has there, with its files, and connected', async () => {
    const place = `wax-${process.pid}`;
    await there('PUT', `api/places/${place}`, { title: 'Wax & candles' });
    for (const [address, title] of [
      ['z-first.html', 'Melting “wax”'],
      ['unit/a-second.html', 'Dipping'],
    ] as const)
      await there('POST', `api/places/${place}/pages`, {
        address,
        title,
        kind: 'lesson',
        parts: [{ name: 'main', html: `<h2>${title}</h2>` }],
      });
    const id = value(await bringFromHost(services, SAM, { host: hostId, place }));
    await readPackage(services, { id, last: true });
    value(await acceptIntoShelf(services, SAM, { id, title: '', types: {} }));
    await unpackPackage(services, { id, by: SAM.id, last: true });
    const { collection_id: made } = await db()
      .selectFrom('packages')
      .select('collection_id')
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    const waiting = await db().selectFrom('pages').select('id').where('collection_id', '=', made).execute();
    await examineArrivals(services, { package: id, pages: waiting.map((one) => one.id), by: SAM.id, last: true });
    const pages = await db()
      .selectFrom('pages')
      .select(['title', 'address', 'scope'])
      .where('collection_id', '=', made)
      .orderBy('position')
      .execute();
    expect(pages).toEqual([
      { title: 'Melting “wax”', address: 'z-first.html', scope: 'fragment' },
      { title: 'Dipping', address: 'unit/a-second.html', scope: 'fragment' },
    ]);
    expect(await lookAtHost(services, { collection: made! })).toEqual({ same: 2, pulled: 0, fresh: 0, both: 0, gone: 0 });
    expect(await bringFromHost(services, UMA, { host: hostId, place })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    expect(await bringFromHost(services, SAM, { host: hostId, place: 'nowhere' })).toMatchObject({
      ok: false,
      problem: { code: 'not-found' },
    });
    await db().deleteFrom('collections').where('id', '=', made).execute();
  });

  test('one that cannot be asked is refused with the reason', async () => {
    const place = `wax-${process.pid}`;
    const id = value(await bringFromHost(services, SAM, { host: hostId, place }));
    proxy.set('down');
    await readPackage(services, { id, last: true });
    const after = await db().selectFrom('packages').select(['state', 'problem']).where('id', '=', id).executeTakeFirstOrThrow();
    expect(after).toEqual({ state: 'refused', problem: expect.stringMatching(/host/) });
    await db().deleteFrom('packages').where('id', '=', id).execute();
  });
});

describe('signing', () => {
  afterAll(async () => void (await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: false })));

  test('two signatures where the house says so, by different people; a new text takes the first away', async () => {
    value(await setSigning(services, SAM, { signatures: 2, fixerMaySign: true, looksNeeded: false }));
    const view = await page(GOOD);
    expect(value(await signOff(services, RUTH, at(view)))).toMatchObject({ wanted: 1 });
    expect(value(await signOff(services, RUTH, at(await look(view.slug))))).toMatchObject({ wanted: 1 });
    expect(await releaseOf(view.slug)).toBe('draft');
    value(await saveSource(services, INES, { ...at(await look(view.slug)), html: `${GOOD}<p>More.</p>` }));
    expect(value(await signOff(services, SAM, at(await look(view.slug))))).toMatchObject({ wanted: 1 });
    expect(value(await signOff(services, RUTH, at(await look(view.slug))))).toMatchObject({ wanted: 0 });
    expect(await releaseOf(view.slug)).toBe('signed off');
  });

  test('not by whoever worked on it, where the house says so', async () => {
    value(await setSigning(services, SAM, { signatures: 1, fixerMaySign: false, looksNeeded: false }));
    const view = await page(GOOD);
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>More.</p>` }));
    const now = await look(view.slug);
    expect(await signOff(services, INES, at(now))).toMatchObject({ ok: false, problem: { code: 'held' } });
    expect(await signOff(services, RUTH, at(now))).toMatchObject({ ok: true });
  });

  test('only once everything was looked at, where the house says so; a new revision is to be looked at again', async () => {
    value(await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: true }));
    const view = await page(GOOD);
    for (const item of LOOKS) value(await lookedAt(services, RUTH, { page: view.pageId, revision: 1, item, done: item !== 'menu' }));
    expect(await signOff(services, RUTH, at(view))).toMatchObject({
      ok: false,
      problem: { what: 'Not everything on this page has been looked at' },
    });
    value(await lookedAt(services, RUTH, { page: view.pageId, revision: 1, item: 'menu', done: true }));
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>More.</p>` }));
    expect(await signOff(services, RUTH, at(await look(view.slug)))).toMatchObject({ ok: false });
    expect(await lookedAt(services, RUTH, { page: view.pageId, revision: 1, item: 'menu', done: true })).toMatchObject({ ok: false });
    expect(await lookedAt(services, UMA, { page: view.pageId, revision: 2, item: 'menu', done: true })).toMatchObject({ ok: false });
    value(await setSigning(services, SAM, { signatures: 1, fixerMaySign: true, looksNeeded: false }));
  });

  test('many at once: what cannot be signed is left and named', async () => {
    const [good, held] = [await page(GOOD), await page('<h2></h2>')];
    expect(value(await signMany(services, RUTH, { which: [good.pageId, held.pageId] }))).toEqual({
      done: 1,
      left: [{ title: held.title, why: 'A must-fix is still open on it.' }],
    });
    const shown = value(await showGate(services, RUTH, { group: 'held', collection: SLUG, after: null }));
    const row = shown.rows.find(({ id }) => id === held.pageId)!;
    expect(row.holders[0]).toMatchObject({ many: 1, asks: false });
    expect((await desk(services, INES, { collection: SLUG, page: good.slug })).ok).toBe(true);
  });
});
