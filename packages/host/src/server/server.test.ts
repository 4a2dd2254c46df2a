import { sql } from 'kysely';
import { openHostDatabase, type HostDatabase } from './store.ts';
import { serveHost } from './serve.ts';

const NAME = `inkwell_host_server_${process.pid}`;
const TOKEN = 'a token';
let admin: HostDatabase;
let host: Awaited<ReturnType<typeof serveHost>>;
let base: string;

beforeAll(async () => {
  const url = process.env.DATABASE_URL!;
  admin = openHostDatabase(url);
  await sql.raw(`create database ${NAME}`).execute(admin);
  host = await serveHost({ database: Object.assign(new URL(url), { pathname: `/${NAME}` }).href, port: 0, token: TOKEN, checker: null });
  base = `http://127.0.0.1:${host.port}`;
  await asked('PUT', 'places/bees', { title: 'Bees & wax' });
});
afterAll(async () => {
  await host.stop();
  await sql.raw(`drop database ${NAME}`).execute(admin);
  await admin.destroy();
});

const asked = (method: string, path: string, body?: object, tag = '') =>
  fetch(`${base}/api/${path}`, {
    method,
    headers: { authorization: `Bearer ${TOKEN}`, 'content-type': 'application/json', ...(tag ? { 'if-match': tag } : {}) },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
let many = 0;
async function page(html = '<p>x</p>', title = 'Hive <one>'): Promise<{ id: string; address: string }> {
  const body = { address: `hive-${++many}.html`, title, kind: 'lesson', parts: [{ name: 'main', html }] };
  return (await (await asked('POST', 'places/bees/pages', body)).json()) as { id: string; address: string };
}
const form = (id: string, fields: Record<string, string>, headers: Record<string, string> = {}) =>
  fetch(`${base}/edit/${id}`, { method: 'POST', redirect: 'manual', headers, body: new URLSearchParams(fields) });

test('programs need the token; what changes a page needs its tag', async () => {
  const { id } = await page();
  expect((await fetch(`${base}/api/pages/${id}`)).status).toBe(401);
  expect((await asked('PUT', `pages/${id}`, { parts: [{ name: 'main', html: 'y' }] })).status).toBe(412);
  const put = await asked('PUT', `pages/${id}`, { parts: [{ name: 'main', html: 'y' }] }, '"r1"');
  expect([put.status, put.headers.get('etag')]).toEqual([200, '"r2"']);
  expect((await asked('POST', `pages/${id}/publish`, undefined, '"r1"')).status).toBe(412);
  expect((await asked('PUT', `pages/${id}`, { parts: [{ name: 'main', html: 'a <!--content--> b' }] }, '"r2"')).status).toBe(422);
});

test('readers see what is published, byte for byte, in a frame that runs nothing; drafts are not shown', async () => {
  const { id, address } = await page('<p>“x”\r\n</p><script>alert(1)</script>');
  expect((await fetch(`${base}/site/bees/${address}`)).status).toBe(404);
  await asked('POST', `pages/${id}/publish`, undefined, '"r1"');
  await asked('PUT', `pages/${id}`, { parts: [{ name: 'main', html: 'newer' }] }, '"r1"');
  const shown = await fetch(`${base}/site/bees/${address}`);
  const text = await shown.text();
  expect(text).toContain('<!--content--><p>“x”\r\n</p><script>alert(1)</script><!--/content-->');
  expect(text).toContain('<h1>Hive &#60;one&#62;</h1>');
  expect(shown.headers.get('content-security-policy')).toContain("script-src 'none'");
  expect(await (await fetch(`${base}/site/bees/`)).text()).toContain(`/site/bees/${address}`);
});

test('the editor keeps what was typed when somebody else was quicker, and takes nothing from another site', async () => {
  const { id } = await page();
  expect((await form(id, { head: '1', title: 'Hive', 'part-0': 'mine', do: 'save' })).status).toBe(303);
  const late = await form(id, { head: '1', title: 'Hive', 'part-0': 'theirs & mine', do: 'save' });
  const told = await late.text();
  expect([late.status, told]).toEqual([409, expect.stringContaining('theirs &#38; mine')]);
  expect(told).toContain('<pre>\nmine</pre>');
  expect(told).toContain('Save mine in place of r2');
  expect((await form(id, { head: '2', 'part-0': 'x', do: 'save' }, { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
  const { parts } = (await (await asked('GET', `pages/${id}`)).json()) as { parts: object[] };
  expect(parts).toEqual([{ name: 'main', html: 'mine' }]);
  const over = { head: '1', over: '2', title: 'Hive', 'part-0': 'theirs & mine', do: 'over' };
  expect((await form(id, over)).status).toBe(303);
  // Somebody else was quicker again.
  expect((await form(id, over)).status).toBe(409);
  const after = (await (await asked('GET', `pages/${id}`)).json()) as { parts: object[] };
  expect(after.parts).toEqual([{ name: 'main', html: 'theirs & mine' }]);
});

test('addresses that are none are told so', async () => {
  expect((await fetch(`${base}/site/%E0%A4%A`)).status).toBe(400);
  expect((await fetch(`${base}/edit/999999`)).status).toBe(404);
  expect((await asked('DELETE', 'pages/1')).status).toBe(405);
});

test('an author begins a page, which has its address from its title, and moves it in the contents', async () => {
  await asked('PUT', 'places/wax', { title: 'Wax' });
  const begin = async (title: string) =>
    (await fetch(`${base}/new`, { method: 'POST', redirect: 'manual', body: new URLSearchParams({ place: 'wax', title }) })).headers.get(
      'location',
    )!;
  const [one, two] = [await begin('Öl & wax'), await begin('Öl & wax')];
  const list = async () =>
    ((await (await asked('GET', 'places/wax/pages')).json()) as { items: { id: string; address: string; kind: string }[] }).items;
  expect((await list()).map(({ address }) => address)).toEqual(['ol-wax.html', 'ol-wax-2.html']);
  const id = two.replace('/edit/', '');
  expect((await form(id, { head: '1', title: 'Öl & wax', kind: 'notice', nth: '1', 'part-0': '<p>x</p>', do: 'save' })).status).toBe(303);
  expect((await list()).map((page) => [page.id, page.kind])).toEqual([
    [id, 'notice'],
    [one.replace('/edit/', ''), 'page'],
  ]);
});
