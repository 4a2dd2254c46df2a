import { sql } from 'kysely';
import { openDatabase, type Database } from '@inkwell/store';
import { faultProxy, serveHost, type Fault, type FaultProxy } from '../../../host/src/testing/index.ts';
import { askPublication, connect, lookAtHost, newHost, runPublication, signOff, type Result } from '../index.ts';
import { RUTH, SAM, type bench } from './bench.ts';

const TOKEN = 'a token of the host';
/** A page with nothing to find on it. */
export const GOOD = '<h2>The hive</h2>\n<p>Boxes stand one above the other.</p>';

export function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`${result.problem.what}: ${result.problem.why ?? ''}`);
  return result.value;
}

let hosts = 0;

/** A host of a test file's own, with a database of its own, behind a proxy that has things go wrong; pages of the bench stand on it. */
export function hostBench({ services, db, at, page, look, SLUG, collection }: ReturnType<typeof bench>) {
  const NAME = `inkwell_host_${process.pid}_${++hosts}`;
  let admin: Database;
  let host: Awaited<ReturnType<typeof serveHost>>;
  let proxy: FaultProxy;
  let hostId: number;
  const ownDatabase = () => Object.assign(new URL(process.env.DATABASE_URL!), { pathname: `/${NAME}` }).href;

  beforeAll(async () => {
    const url = process.env.DATABASE_URL!;
    admin = openDatabase({ url });
    await sql.raw(`create database ${NAME}`).execute(admin);
    host = await serveHost({ database: ownDatabase(), port: 0, token: TOKEN, checker: null });
    proxy = await faultProxy(
      host.port,
      async (path) => void (await there('PUT', path.replace(/^\/|\/publish$/g, ''), { parts: [{ name: 'main', html: '<p>x</p>' }] })),
      300,
    );
    process.env.INKWELL_HOSTS = process.env.INKWELL_PRIVATE_HOSTS = new URL(proxy.address).host;
    process.env.INKWELL_SECRET ??= 'a secret for tests, and for nothing else at all';
    await there('PUT', 'api/places/bees', { title: 'Bees' });
    hostId = value(
      await newHost(services, SAM, { name: `The college site ${NAME}`, kind: 'host', address: proxy.address, token: TOKEN }),
    ).id;
  });

  afterAll(async () => {
    proxy.stop();
    await host.stop();
    await sql.raw(`drop database ${NAME}`).execute(admin);
    await admin.destroy();
  });

  afterEach(() => proxy.set('none'));

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

  /** A file of so many bytes lies on the host, longer than any request may be. */
  async function putLong(path: string, length: number): Promise<void> {
    const own = openDatabase({ url: ownDatabase(), most: 1 });
    await sql`insert into files (place, path, type, bytes)
      values ('bees', ${path}, 'image/png', decode(repeat('00', ${length}::integer), 'hex'))`.execute(own);
    await own.destroy();
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

  return {
    there,
    shownAt,
    both,
    signed,
    publish,
    run,
    releaseOf,
    stateOf,
    putLong,
    /** The host's own address, past the proxy. */
    origin: () => `http://127.0.0.1:${host.port}`,
    wrong: (fault: Fault) => proxy.set(fault),
    hostId: () => hostId,
    TOKEN,
  };
}
