import { createHmac } from 'node:crypto';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { InkwellClient, InkwellProblem, verifySignature } from './index.ts';

const asked: { method: string; url: string; headers: IncomingMessage['headers']; body: string }[] = [];
const answers: { status: number; headers?: Record<string, string>; body: object }[] = [];
const server = createServer((request, response) => {
  const parts: Buffer[] = [];
  request.on('data', (part: Buffer) => parts.push(part));
  request.on('end', () => {
    asked.push({ method: request.method!, url: request.url!, headers: request.headers, body: Buffer.concat(parts).toString() });
    const { status, headers = {}, body } = answers.shift()!;
    response.writeHead(status, { 'content-type': 'application/json', ...headers }).end(JSON.stringify(body));
  });
});
let client: InkwellClient;

beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  client = new InkwellClient({ server: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, token: 'inkwell_x' });
});
afterAll(() => new Promise((resolve) => server.close(resolve)));
beforeEach(() => asked.splice(0));

test('a change names the tag it was seen under, and gives the new one', async () => {
  answers.push({ status: 200, headers: { etag: '"8"' }, body: { id: 4 } });
  expect(await client.putPage(4, '"7"', '<p>x</p>', 'by hand')).toEqual({ page: { id: 4 }, tag: '"8"' });
  expect(asked[0]).toMatchObject({ method: 'PUT', url: '/api/v1/pages/4', body: '{"html":"<p>x</p>","note":"by hand"}' });
  expect(asked[0]!.headers).toMatchObject({ authorization: 'Bearer inkwell_x', 'if-match': '"7"', 'content-type': 'application/json' });
});

test('lists are read part by part', async () => {
  answers.push({ status: 200, body: { items: [{ id: 1 }], next: 'a b' } }, { status: 200, body: { items: [{ id: 2 }], next: null } });
  const ids = [];
  for await (const { id } of client.pages('bees')) ids.push(id);
  expect([ids, asked.map(({ url }) => url)]).toEqual([
    [1, 2],
    ['/api/v1/collections/bees/pages?limit=500', '/api/v1/collections/bees/pages?limit=500&cursor=a%20b'],
  ]);
});

test('a package is sent as its bytes, and its job is waited for', async () => {
  answers.push({ status: 202, body: { id: 'j', state: 'waiting' } }, { status: 200, body: { id: 'j', state: 'running' } });
  answers.push({ status: 200, body: { id: 'j', state: 'done', result: { collection: 'bees' } } });
  const job = await client.bringIn(new Blob(['PK'], { type: 'application/zip' }), { title: 'Bees & wax', key: 'one' });
  expect(job.result).toEqual({ collection: 'bees' });
  expect(asked[0]).toMatchObject({ url: '/api/v1/collections?title=Bees+%26+wax', body: 'PK' });
  expect(asked[0]!.headers).toMatchObject({ 'content-type': 'application/zip', 'idempotency-key': 'one' });
});

test('what the server refuses is thrown with its words', async () => {
  answers.push({
    status: 429,
    headers: { 'retry-after': '9' },
    body: { type: '/problems/too-many', detail: 'Too many.', kept: 'k', next: 'n' },
  });
  const problem = await client.check({ html: '<p>x</p>' }).catch((error: unknown) => error);
  expect(problem).toBeInstanceOf(InkwellProblem);
  expect(problem).toMatchObject({ status: 429, type: '/problems/too-many', message: 'Too many.', retryAfter: 9 });
});

test('a message is believed when it is signed with the secret, whole, and new', async () => {
  const body = '{"type":"page.lapsed"}';
  const header = (seconds: number, secret = 'wax') =>
    `t=${seconds},v1=${createHmac('sha256', secret).update(`${seconds}.${body}`).digest('hex')}`;
  const now = 1_795_000_000;
  expect(await verifySignature(body, header(now), 'wax', now)).toBe(true);
  expect(await verifySignature(`${body} `, header(now), 'wax', now)).toBe(false);
  expect(await verifySignature(body, header(now, 'honey'), 'wax', now)).toBe(false);
  // Recorded, and sent again an hour later.
  expect(await verifySignature(body, header(now), 'wax', now + 3_600)).toBe(false);
  expect(await verifySignature(body, 'v1=00', 'wax', now)).toBe(false);
});
