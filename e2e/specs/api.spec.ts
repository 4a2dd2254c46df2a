import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { Validator } from '@seriousme/openapi-schema-validator';
import { expect, test, type APIRequestContext, type Page } from '../support/test';
import Ajv from 'ajv';
import { broughtIn, freshTitle, ownCollection, pageIdOf } from '../support/desk';
import { invited } from '../support/invited';
import { ALL, begunJob, endOf, isProblem, programWith, ROOT, zipOf } from '../support/program';
import { tokenFor } from '../support/token';

const HTML = '<h2>Wax</h2><p><img src="images/hive.png"></p>';

test('a check says what the command says of the same text, and writes the fixed text as the command writes it', async ({ baseURL }) => {
  const { token } = await tokenFor(null, ['check']);
  const program = await programWith(token, baseURL!);
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-check-'));
  const inkwell = (...args: string[]) =>
    promisify(execFile)(join(ROOT, 'bin/inkwell'), args, { encoding: 'utf8', env: { ...process.env, INKWELL_TOKEN: token } }).catch(
      (error: { stdout: string; code: number }) => error,
    );
  const pages = readdirSync(join(ROOT, 'demo/pages/bees')).filter((name) => name.endsWith('.html'));
  expect(pages.length).toBeGreaterThan(3);
  try {
    for (const name of pages.slice(0, 4)) {
      const file = join(folder, name);
      const html = readFileSync(join(ROOT, 'demo/pages/bees', name), 'utf8');
      writeFileSync(file, html);
      const said = JSON.parse((await inkwell('audit', file, '--format', 'json')).stdout) as {
        profile: object;
        pages: [{ verdict: string; findings: object[] }];
      };
      const answer = await program.post('/api/v1/checks', { data: { html, profile: 'wcag22-aa' } });
      const check = (await answer.json()) as { verdict: string; profile: object; findings: object[]; fixed: { html: string } };
      expect(check).toMatchObject({ profile: said.profile, verdict: said.pages[0].verdict, findings: said.pages[0].findings });
      expect(check.findings).toHaveLength(said.pages[0].findings.length);
      const fixed = join(folder, `fixed-${name}`);
      await inkwell('fix', file, '--out', fixed);
      expect(check.fixed.html).toBe(readFileSync(fixed, 'utf8'));
      // The command for continuous integration gives the same report, byte for byte.
      const args = ['--server', baseURL!, '--format', 'json', '--profile', 'wcag22-aa'];
      expect((await inkwell('check', file, ...args)).stdout).toBe((await inkwell('audit', file, '--format', 'json')).stdout);
    }
    const sarif = await inkwell('check', folder, '--server', baseURL!, '--format', 'sarif');
    expect(JSON.parse(sarif.stdout)).toMatchObject({ version: '2.1.0' });
    expect(await inkwell('check', folder, '--server', 'http://127.0.0.1:1')).toMatchObject({ code: 2 });
  } finally {
    rmSync(folder, { recursive: true });
    await program.dispose();
  }
});

test('a check for a page counts what was decided there, and wants to read for it', async ({ page, baseURL }) => {
  const collection = await ownCollection();
  const { slug, address } = await broughtIn(
    page,
    collection,
    freshTitle('Checked'),
    '<h2>Wax</h2><p>A <b>bold word</b> in it.</p><p><img src="images/hive.png"></p>',
  );
  const id = await pageIdOf(collection, slug);
  const program = await programWith((await tokenFor(null, ['check', 'read'])).token, baseURL!);
  const told = (await (await program.get(`/api/v1/pages/${id}`)).json()) as { html: string; address: string };
  const data = { html: told.html, page: { collection, address: told.address } };
  const before = (await (await program.post('/api/v1/checks', { data })).json()) as {
    verdict: string;
    findings: { rule: string; standing?: string }[];
  };
  expect(before.verdict).toBe('held');
  const look = (await (await page.request.post(`/api/pages/${id}/look`, { data: {} })).json()) as {
    value: { desk: { version: number; notes: { id: number; rule: string }[] } };
  };
  const { version, notes } = look.value.desk;
  const finding = notes.find(({ rule }) => rule === 'images/no-alternative')!.id;
  const stands = {
    version,
    findingId: finding,
    reason: 'The keeper sends another image.',
    until: new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10),
  };
  expect((await page.request.post(`/api/pages/${id}/let-stand`, { data: stands })).ok()).toBe(true);
  const after = (await (await program.post('/api/v1/checks', { data })).json()) as typeof before;
  expect(after.findings.find(({ rule }) => rule === 'images/no-alternative')).toMatchObject({ standing: 'excepted' });
  expect(after.verdict).not.toBe('held');
  const narrow = await programWith((await tokenFor(null, ['check'])).token, baseURL!);
  await isProblem(await narrow.post('/api/v1/checks', { data }), 403, 'not-allowed');
  await isProblem(
    await program.post('/api/v1/checks', { data: { ...data, page: { collection, address: 'none.html' } } }),
    404,
    'not-found',
  );
  expect(address).toContain(slug);
  await program.dispose();
  await narrow.dispose();
});

test('pages are listed in parts, read with an ETag, changed on it alone, and signed when nothing holds them', async ({ page, baseURL }) => {
  const collection = await ownCollection();
  for (const nth of [1, 2, 3]) await broughtIn(page, collection, freshTitle(`Listed ${nth}`), HTML);
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const pages = `/api/v1/collections/${collection}/pages`;
  const first = (await (await program.get(`${pages}?limit=2`)).json()) as { items: { id: number; html?: string }[]; next: string };
  const rest = (await (await program.get(`${pages}?cursor=${first.next}`)).json()) as { items: object[]; next: null };
  expect([first.items.length, rest.items.length, rest.next]).toEqual([2, 1, null]);
  expect(first.items[0]).not.toHaveProperty('html');
  for (const query of ['cursor=made-up.x', `cursor=${first.next.slice(1)}`, 'limit=0', 'limit=501', 'order=title'])
    await isProblem(await program.get(`${pages}?${query}`), 422, 'shape');
  await isProblem(await program.get(`/api/v1/collections?cursor=${first.next}`), 422, 'shape');

  const address = `${pages}/${first.items[0]!.id}`;
  const read = await program.get(address);
  const etag = read.headers().etag!;
  expect(etag).toMatch(/^"\d+"$/);
  const mended = '<h2>Wax</h2><p><img src="images/hive.png" alt="A hive of pine boards on a stand"></p>';
  const put = (data: object, match?: string) => program.put(address, { data, ...(match ? { headers: { 'if-match': match } } : {}) });
  await isProblem(await put({ html: mended }), 428, 'no-match');
  await isProblem(await put({ html: mended }, '"1000"'), 412, 'moved-on');
  await isProblem(await put({ html: mended }, `W/${etag}`), 412, 'moved-on');
  const changed = await put({ html: mended, note: 'Described, as Odile asked' }, etag);
  expect(await changed.json()).toMatchObject({ revision: 2, html: mended });
  const history = await page.request.post(`/api/pages/${first.items[0]!.id}/look`, { data: {} });
  expect(await history.text()).toContain('Described, as Odile asked');
  const newer = changed.headers().etag!;
  expect(newer).not.toBe(etag);
  await isProblem(await put({ html: '<h2>Late</h2>' }, etag), 412, 'moved-on');
  // The same text again makes no revision.
  expect(await (await put({ html: mended }, newer)).json()).toMatchObject({ revision: 2 });
  const sign = (of: string, match: string) => program.post(`${pages}/${of}/sign`, { headers: { 'if-match': match } });
  const verdict = ((await changed.json()) as { verdict: string }).verdict;
  const signed = await sign(String(first.items[0]!.id), newer);
  if (verdict === 'ready') expect(signed.ok()).toBe(true);
  else await isProblem(signed, 409, 'held');
  const other = first.items[1]!.id;
  const held = (await program.get(`${pages}/${other}`)).headers().etag!;
  expect(String((await isProblem(await sign(String(other), held), 409, 'held')).detail)).toContain('must-fix');
  await program.dispose();
});

test('findings are narrowed by what is said, come in parts, and are decided about; what is not known is refused', async ({
  page,
  baseURL,
}) => {
  const collection = await ownCollection();
  const { slug } = await broughtIn(page, collection, freshTitle('Found'), `${HTML}${ASKING}`);
  const id = await pageIdOf(collection, slug);
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const list = `/api/v1/collections/${collection}/findings`;
  const found = async (query: string) => (await (await program.get(`${list}?page=${id}&${query}`)).json()) as Found;
  const all = await found('');
  const first = await found('limit=1');
  const rest = await found(`cursor=${first.next}`);
  expect([...first.items, ...rest.items].map((one) => one.id)).toEqual(all.items.map((one) => one.id));
  expect((await found('family=images&family=headings&outcome=cantTell')).items.map(({ rule }) => rule)).toEqual(['images/true-to-picture']);
  for (const query of ['family=pictures', 'rule=images/none', 'page=x', 'sort=rule', 'standing=closed'])
    await isProblem(await program.get(`${list}?${query}`), 422, 'shape');
  const question = (await found('outcome=cantTell')).items[0]!.id;
  const ruled = await program.post(`${list}/${question}/rule`, { data: { answer: 'no problem' } });
  expect(await ruled.json()).toMatchObject({ id: question, standing: 'ruled out' });
  const failed = (await found('rule=images/no-alternative')).items[0]!.id;
  expect(
    await (await program.post(`/api/v1/findings/${failed}/assign`, { data: { to: 'odile.marsh@larkmoor.example' } })).json(),
  ).toMatchObject({
    assignee: { name: 'Odile Marsh' },
  });
  expect((await found('person=odile-marsh')).items.map((one) => one.id)).toEqual([failed]);
  expect(await isProblem(await program.post(`${list}/${failed}/except`, { data: { reason: 'x' } }), 422, 'shape')).toMatchObject({
    errors: [{ pointer: '/until' }],
  });
  await isProblem(
    await program.post(`/api/v1/collections/larkmoor-canal-trust/findings/${failed}/rule`, { data: { answer: 'stands' } }),
    404,
    'not-found',
  );
  const narrow = await programWith((await tokenFor(null, ['read'])).token, baseURL!);
  await isProblem(await narrow.post(`${list}/${failed}/except`, { data: { reason: 'x', until: inDays(3) } }), 403, 'not-allowed');
  await program.dispose();
  await narrow.dispose();
});

test('a token opens what it reaches, for whom it acts, until it ends; cookies open nothing here, and a token no screen', async ({
  page,
  browser,
  baseURL,
}) => {
  const collection = await ownCollection();
  const { slug } = await broughtIn(page, collection, freshTitle('Reached'), HTML);
  const address = `/api/v1/pages/${await pageIdOf(collection, slug)}`;
  const nobody = await programWith(null, baseURL!);
  const refused = await nobody.get(address);
  await isProblem(refused, 401, 'no-token');
  expect(refused.headers()['www-authenticate']).toBe('Bearer');
  await isProblem(await page.request.get(address), 401, 'no-token');
  const good = await tokenFor(null, ['read']);
  const program = await programWith(good.token, baseURL!);
  expect((await program.get(address)).ok()).toBe(true);
  expect((await program.get('/people', { maxRedirects: 0 })).status()).toBe(307);
  await isProblem(await program.put(address, { data: { html: 'x' }, headers: { 'if-match': '*' } }), 403, 'not-allowed');
  const over = await programWith((await tokenFor(null, ['read'], 0)).token, baseURL!);
  await isProblem(await over.get(address), 401, 'no-token');
  expect((await page.request.post('/api/person', { data: { person: 'sam-okello' } })).ok()).toBe(true);
  expect((await page.request.post('/api/people/end-token', { data: { name: good.name } })).ok()).toBe(true);
  await isProblem(await program.get(address), 401, 'no-token');
  // Whoever is no member of it is told that it is not there.
  const { email } = await invited(browser, baseURL!, 'Elsewhere', 'larkmoor-canal-trust');
  const stranger = await programWith((await tokenFor(email, ALL)).token, baseURL!);
  await isProblem(await stranger.get(address), 404, 'not-found');
  await isProblem(await stranger.get(`/api/v1/collections/${collection}/pages`), 404, 'not-found');
  await isProblem(await stranger.put(address, { data: { html: 'x' }, headers: { 'if-match': '*' } }), 404, 'not-found');
  expect(
    ((await (await stranger.get('/api/v1/collections')).json()) as { items: { slug: string }[] }).items.map((one) => one.slug),
  ).toEqual(['larkmoor-canal-trust']);
  for (const one of [nobody, program, over, stranger]) await one.dispose();
});

test('what is sent otherwise than it is taken is a problem that says so; nothing below /api is ever a page', async ({ page, baseURL }) => {
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const checks = '/api/v1/checks';
  const post = (data: string | Buffer, type = 'application/json', more: Record<string, string> = {}) =>
    program.post(checks, { data: Buffer.from(data), headers: { 'content-type': type, ...more } });
  await isProblem(await post('{"html": '), 400, 'not-json');
  await isProblem(await post(Buffer.from('{"html":"\xff"}', 'latin1')), 400, 'not-json');
  await isProblem(await post('<p>x</p>', 'text/html'), 415, 'media-type');
  await isProblem(await post('{"html":"x"}', 'application/json; charset=latin1'), 415, 'media-type');
  await isProblem(await post('{"html":"x"}', 'application/json', { 'content-encoding': 'gzip' }), 415, 'media-type');
  expect(await isProblem(await post('{"html":"x","profile":{}}'), 422, 'shape')).toMatchObject({ errors: [{ pointer: '' }] });
  expect(await isProblem(await post('{}'), 422, 'shape')).toMatchObject({ errors: [{ pointer: '/html' }] });
  expect(await isProblem(await post('{"html":"x","a/b":1}'), 422, 'shape')).toMatchObject({ errors: [{ pointer: '/a~1b' }] });
  await isProblem(await post('{"html":""}'), 422, 'shape');
  await isProblem(await post(`{"html":"${'x'.repeat(20_000_000 - 10)}"}`), 413, 'too-large');
  expect((await post('{"html":"\\ud800\\u0000<p>x"}')).status()).toBe(200);
  const method = await program.delete(checks);
  await isProblem(method, 405, 'method');
  expect(method.headers().allow).toBe('OPTIONS, POST');
  const options = await program.fetch('/api/v1/collections', { method: 'OPTIONS' });
  expect([options.status(), options.headers().allow]).toEqual([204, 'GET, HEAD, OPTIONS, POST']);
  const head = await program.head('/api/v1/collections');
  expect([head.status(), (await head.body()).length]).toEqual([200, 0]);
  for (const address of ['/api/v1', '/api/v1/nothing', '/api/nothing/at/all', '/api/v1/pages/x'])
    await isProblem(await program.get(address), 404, 'not-found');
  const answer = await program.get('/api/v1/collections');
  expect(answer.headers()).toMatchObject({ 'cache-control': 'private, no-store', 'x-content-type-options': 'nosniff' });
  expect(answer.headers()).not.toHaveProperty('access-control-allow-origin');
  await page.goto('/problems/moved-on');
  await expect(page.getByRole('heading', { level: 1, name: 'It has moved on' })).toBeVisible();
  await program.dispose();
});

/** A page that asks whether an image is described truly. */
const ASKING = '<h2>Wax</h2><p><img src="images/hive.png" alt="A hive of pine boards on a stand"></p>';

interface Found {
  items: { id: number; rule: string; family: string; standing: string }[];
  next: string | null;
}

/** What a call takes that has a body. */
function bodyFor(path: string): object {
  if (path.endsWith('/webhooks')) return { url: 'https://hooks.larkmoor.example/in', events: ['page.lapsed'] };
  if (path.endsWith('publish')) return {};
  if (path.endsWith('/rule')) return { answer: 'no problem' };
  if (path.endsWith('/except')) return { reason: 'The keeper sends another one.', until: inDays(30) };
  if (path.endsWith('/assign')) return { to: 'odile.marsh@larkmoor.example', due: inDays(30), words: 'Please' };
  return { html: HTML };
}

const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

async function madeHook(program: APIRequestContext): Promise<number> {
  const data = { url: 'https://hooks.larkmoor.example/in', events: ['finding.returned'] };
  return ((await (await program.post('/api/v1/webhooks', { data })).json()) as { id: number }).id;
}

type Brought = Awaited<ReturnType<typeof broughtIn>>;

/** A page for a call: one of its own where the call may change it, else one that many look at. */
async function pageFor(page: Page, slug: string, path: string, shared: Brought | null): Promise<Brought> {
  const isChanged = /\/(?:pages|findings)\/\{id\}/.test(path);
  return shared === null || isChanged ? broughtIn(page, slug, freshTitle('Described'), ASKING) : shared;
}

/** What `{id}` stands for in a path. */
async function namedIn(path: string, program: APIRequestContext, on: { finding: number; sent: string; id: number }) {
  if (path.includes('/findings/')) return on.finding;
  if (path.includes('/jobs/')) return on.sent;
  return path.includes('/webhooks/') ? madeHook(program) : on.id;
}

interface Operation {
  parameters: { name: string; in: string }[];
  requestBody?: { content: object };
  responses: Record<string, { content?: Record<string, { schema: object }> }>;
}

test('the description is OpenAPI 3.1 as a validator has it, and every call in it answers as it says', async ({ page, baseURL }) => {
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const nobody = await programWith(null, baseURL!);
  const described = (await (await nobody.get('/api/v1/openapi.json')).json()) as {
    paths: Record<string, Record<string, Operation>>;
    components: object;
  };
  expect(await new Validator().validate(described)).toEqual({ valid: true });
  const ajv = new Ajv();
  ajv.addSchema({ $id: 'api', components: described.components });
  const whole = (schema: object) => JSON.parse(JSON.stringify(schema).replaceAll('"#/components/', '"api#/components/')) as object;
  let asked = 0;
  let shared: Brought | null = null;
  const sent = await begunJob(program, 'described');
  const renewed = (await endOf(program, sent)).result!.collection;
  for (const [path, operations] of Object.entries(described.paths))
    for (const [method, { requestBody, responses }] of Object.entries(operations)) {
      const slug = await ownCollection();
      const own: Brought = await pageFor(page, slug, path, shared);
      shared ??= own;
      const id = await pageIdOf(slug, own.slug);
      const found = (await (await program.get(`/api/v1/collections/${slug}/findings?page=${id}&outcome=cantTell`)).json()) as Found;
      const collection =
        method === 'put' && path.endsWith('{slug}') ? renewed : /\{id\}|\/findings$/.test(path) ? slug : 'a-first-year-with-bees';
      const named = await namedIn(path, program, { finding: found.items[0]!.id, sent, id });
      const isPackage = requestBody !== undefined && 'application/zip' in requestBody.content;
      const answer = await program.fetch(path.replace('{slug}', collection).replace('{id}', String(named)), {
        method,
        headers: { 'if-match': '*', ...(isPackage ? { 'content-type': 'application/zip' } : {}) },
        ...(requestBody ? { data: isPackage ? await zipOf('Newer') : bodyFor(path) } : {}),
      });
      // A page that something holds is not signed, and a job that has ended is not cancelled: problems, as is described.
      const isHeld = /\/(?:sign|publish|unpublish)$/.test(path) || (method === 'delete' && path.includes('/jobs/'));
      const well = Object.keys(responses).filter((status) => status.startsWith('2'));
      const content = isHeld
        ? { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } }
        : (responses[well[0]!]!.content ?? { none: { schema: {} } });
      const [[type, { schema }]] = Object.entries(content) as [[string, { schema: object }]];
      expect(`${method} ${path} ${answer.status()}`).toBe(`${method} ${path} ${isHeld ? 409 : well[0]}`);
      asked++;
      if (type === 'none') continue;
      if (!type.includes('json')) expect((await answer.body()).subarray(0, 2).toString()).toBe('PK');
      else {
        const check = ajv.compile(whole(schema));
        expect([`${method} ${path}`, check(await answer.json()), check.errors]).toEqual([`${method} ${path}`, true, null]);
      }
    }
  expect(asked).toBeGreaterThan(32);
  await program.dispose();
  await nobody.dispose();
});

test('a thousand checks at once are answered or told to wait, and others are served meanwhile', async ({ page, baseURL }) => {
  const program = await programWith((await tokenFor(null, ['check'])).token, baseURL!);
  const all = Promise.all(Array.from({ length: 1_000 }, () => program.post('/api/v1/checks', { data: { html: HTML } })));
  const from = Date.now();
  expect((await page.request.get('/api/health')).ok()).toBe(true);
  expect(Date.now() - from).toBeLessThan(5_000);
  const answers = await all;
  const many = (status: number) => answers.filter((answer) => answer.status() === status).length;
  expect(many(200) + many(429)).toBe(1_000);
  expect(many(200)).toBeGreaterThanOrEqual(600);
  for (const answer of answers.filter((one) => one.status() === 429).slice(0, 1)) {
    await isProblem(answer, 429, 'too-many');
    expect(Number(answer.headers()['retry-after'])).toBeGreaterThan(0);
  }
  await program.dispose();
});
