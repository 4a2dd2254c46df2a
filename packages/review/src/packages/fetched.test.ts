import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { askForPages, readPackage, type AskForPages } from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';
import { document, packageBench } from '../testing/packages.ts';

const b = bench();
const { services } = b;
const packages = packageBench(b);

const SITE: Record<string, string> = {
  '/': document('Visit', '<p><a href="locks.html">Locks</a> <img src="boat.png"></p>'),
  '/locks.html': document('Locks', '<p><a href="gone.html">Old times</a></p>'),
  '/boat.png': 'a boat',
};
let server: Server;
let host = '';

beforeAll(async () => {
  server = createServer((request, response) => {
    const found = SITE[request.url!];
    response.writeHead(found === undefined ? 404 : 200, { 'content-type': request.url!.endsWith('.png') ? 'image/png' : 'text/html' });
    response.end(found);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  Object.assign(process.env, { INKWELL_HOSTS: `${host} canal.example`, INKWELL_PRIVATE_HOSTS: host });
});
afterAll(() => {
  server.close();
  delete process.env.INKWELL_HOSTS;
  delete process.env.INKWELL_PRIVATE_HOSTS;
});

async function asked(wish: Partial<AskForPages> = {}): Promise<number> {
  const made = await askForPages(services, INES, { kind: 'start', text: `http://${host}/`, ...wish });
  if (!made.ok) throw new Error(made.problem.what);
  return made.value;
}

test('pages fetched from their host are a package like any other: shown, accepted, audited, and given back', async () => {
  const id = await asked();
  expect(await packages.shown(id)).toMatchObject({ state: 'waiting', fetched: { pages: 0, files: 0 } });
  await readPackage(services, { id, last: false });
  const view = await packages.shown(id);
  expect(view).toMatchObject({ state: 'read', kind: 'site', name: '127.0.0.1.zip', pages: 2, files: 3, fetched: null });
  expect(view.troubles).toEqual([{ path: `http://${host}/gone.html`, what: 'answers 404' }]);
  const slug = await packages.accepted(id);
  const { html, notes } = await packages.deskOn(slug, 'visit');
  expect(html).toBe(SITE['/']);
  expect(notes.map(({ rule }) => rule)).toContain('images/no-alternative');
  const { bytes } = await packages.out(slug);
  expect(bytes.subarray(0, 2).toString()).toBe('PK');
});

test('fetched anew it is a newer version of the same collection', async () => {
  const id = await asked();
  const slug = await packages.arrived(id);
  SITE['/locks.html'] = document('Locks', '<p>The lock is shut for the winter.</p>');
  const newer = await asked({ newerOf: slug });
  await readPackage(services, { id: newer, last: false });
  expect((await packages.shown(newer)).newer?.became).toEqual({ 'as it was': 1, changed: 1 });
});

test.each([
  ['nothing that is an address', 'larkmoor', 'There is no address in this'],
  ['a host that is not allowed', 'https://elsewhere.example/', 'Nothing is fetched from there'],
  ['another port of a host that is', 'https://canal.example:99/', 'Nothing is fetched from there'],
])('%s is refused before anything is fetched', async (_what, text, what) => {
  expect(await askForPages(services, INES, { kind: 'start', text })).toMatchObject({ ok: false, problem: { code: 'bad-page', what } });
});

test('a publisher does not bring anything in', async () => {
  expect(await askForPages(services, RUTH, { kind: 'start', text: `http://${host}/` })).toMatchObject({ ok: false });
});

test('when not one page comes the package is refused with the reason', async () => {
  const id = await asked({ text: `http://${host}/nowhere.html` });
  await readPackage(services, { id, last: false });
  expect(await packages.shown(id)).toMatchObject({
    state: 'refused',
    problem: `Not one page came: http://${host}/nowhere.html answers 404.`,
  });
});
