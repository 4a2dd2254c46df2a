import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { lookAtOutside, lookOutside, lookOutsideAgain, register } from '../index.ts';
import { bench, INES, UMA } from '../testing/bench.ts';
import { packageBench } from '../testing/packages.ts';

const ground = bench();
const { services, db } = ground;
const { sent, arrived } = packageBench(ground);

let server: Server;
let host = '';
let asked: { at: number; url: string }[] = [];
let answers: Record<string, number> = {};

beforeAll(async () => {
  server = createServer((request, response) => {
    asked.push({ at: performance.now(), url: request.url! });
    if (request.url === '/robots.txt') return void response.end('User-agent: *\nDisallow: /private/');
    response.writeHead(answers[request.url!] ?? 200, { location: '/new', 'retry-after': '60' }).end();
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
  delete process.env.INKWELL_LINK_HOSTS;
});
beforeEach(async () => {
  // All collections wait in one line.
  await db().deleteFrom('outside_addresses').execute();
  asked = [];
  answers = { '/old': 301, '/lost': 404 };
});

const allowed = () => ({ policy: { allowed: [host], private: [host] }, between: 40 });

async function withLinks(): Promise<string> {
  const links = ['/old', '/lost', '/lost#part', '/fine', '/private/door'].map((path) => `<a href="http://${host}${path}">To ${path}</a>`);
  const html = `<html lang="en"><head><title>Times</title></head><body><h1>Times</h1><p>${links.join(' ')}</p></body></html>`;
  return arrived(await sent('links.zip', [{ name: 'times.html', data: html }]));
}

const linesOf = async (collection: string, choice: object = {}) => {
  const shown = await register(services, INES, { collection, choice: { register: 'links', order: 'name', ...choice }, skip: 0 });
  if (!shown.ok) throw new Error(shown.problem.what);
  return shown.value.lines;
};

test('nothing is asked of any host until whoever looks after the server allows it, nor in the name of who may only look', async () => {
  const collection = await withLinks();
  delete process.env.INKWELL_LINK_HOSTS;
  expect(await lookOutside(services, INES, { collection })).toMatchObject({ ok: false, problem: { code: 'declined' } });
  process.env.INKWELL_LINK_HOSTS = host;
  expect(await lookOutside(services, UMA, { collection })).toMatchObject({ ok: false });
  expect((await linesOf(collection)).every(({ outside }) => outside === null)).toBe(true);
});

test('addresses are looked at one after another, each once whatever place on it is meant, and the register says what came of it', async () => {
  const collection = await withLinks();
  process.env.INKWELL_LINK_HOSTS = host;
  expect(await lookOutside(services, INES, { collection })).toEqual({ ok: true, value: { waiting: 4 } });
  await lookAtOutside(services, allowed());
  const outside = Object.fromEntries((await linesOf(collection)).map((line) => [line.name, line.outside]));
  expect(outside['To /fine']).toMatchObject({ state: 'seen', words: null });
  expect(outside['To /lost']).toMatchObject({ state: 'gone', words: 'answers 404', seenAt: null });
  expect(outside['To /lost#part']).toEqual(outside['To /lost']);
  expect(outside['To /old']).toMatchObject({ state: 'moved', movedTo: `http://${host}/new` });
  expect(outside['To /private/door']).toMatchObject({ state: 'unsure', words: expect.stringContaining('robots.txt') as string });
  expect(asked.map(({ url }) => url)).not.toContain('/private/door');
  const visits = asked.filter(({ url }) => ['/old', '/fine'].includes(url));
  expect(Math.abs(visits[1]!.at - visits[0]!.at)).toBeGreaterThan(35);
  expect((await linesOf(collection, { state: 'gone' })).map(({ name }) => name)).toEqual(['To /lost', 'To /lost#part']);
  // Within a day nobody is asked again; after a week everybody is.
  expect(await lookOutside(services, INES, { collection })).toEqual({ ok: true, value: { waiting: 0 } });
  const later = { ...services, now: () => new Date(Date.now() + 8 * 86_400_000) };
  answers = { '/fine': 404 };
  await lookOutsideAgain(later);
  await lookAtOutside(later, allowed());
  const again = Object.fromEntries((await linesOf(collection)).map((line) => [line.name, line.outside]));
  expect(again['To /fine']).toMatchObject({ state: 'gone' });
  expect(again['To /fine']!.seenAt).not.toBeNull();
  expect(again['To /lost']).toMatchObject({ state: 'seen' });
});

test('a host that asks to be left alone is, and two workers never visit one host at a time', async () => {
  const collection = await withLinks();
  process.env.INKWELL_LINK_HOSTS = host;
  await db()
    .updateTable('outside_addresses')
    .set({ due_at: null, looked_at: new Date(0) })
    .execute();
  await lookOutside(services, INES, { collection });
  answers = { '/old': 429, '/lost': 429, '/fine': 429 };
  await Promise.all([lookAtOutside(services, allowed()), lookAtOutside(services, allowed())]);
  // What was not looked at is not told as if it had been.
  const told = (await linesOf(collection)).filter(({ outside }) => outside !== null).map(({ name }) => name.replace('#part', ''));
  // What robots.txt forbids is told without a visit.
  expect([...new Set(told)].filter((name) => name !== 'To /private/door')).toEqual([`To ${asked[1]!.url}`]);
  expect(asked.map(({ url }) => url)).toEqual(['/robots.txt', expect.stringMatching(/^\/(?:old|lost|fine)$/)]);
});
