import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { linkPolicyFrom } from './hosts.ts';
import { lookAtAddress } from './lookAtAddress.ts';

let server: Server;
let host = '';
let asked: string[] = [];
type Answer = (request: IncomingMessage, response: ServerResponse) => void;
const sends =
  (status: number, headers: Record<string, string> = {}): Answer =>
  (_request, response) =>
    void response.writeHead(status, headers).end();
const SITE: Record<string, Answer> = {
  '/here': sends(200),
  '/': sends(200),
  '/moved': sends(301, { location: '/here' }),
  '/elsewhere-today': sends(302, { location: '/here' }),
  '/twice': sends(308, { location: '/moved' }),
  '/then-today': sends(301, { location: '/elsewhere-today' }),
  '/front': sends(301, { location: '/' }),
  '/gone': sends(410),
  '/closed': sends(403),
  '/round': sends(302, { location: '/round' }),
  '/busy': sends(429, { 'retry-after': '90' }),
  '/odd': sends(302, { location: 'http://' }),
  '/away': sends(301, { location: 'http://larkmoor.example/' }),
  '/no-head': ({ method }, response) => void response.writeHead(method === 'HEAD' ? 404 : 200).end(),
  '/silent': () => undefined,
};

beforeAll(async () => {
  server = createServer((request, response) => {
    asked.push(`${request.method} ${request.url}`);
    (SITE[request.url!] ?? sends(404))(request, response);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});
beforeEach(() => {
  asked = [];
});

const look = (path: string, settings = { INKWELL_LINK_HOSTS: host, INKWELL_PRIVATE_HOSTS: host }) =>
  lookAtAddress(linkPolicyFrom(settings), new URL(path, `http://${host}`), { within: 700 });

// States after RFC 9110: 15.3 (2xx), 15.4.2 and 15.4.9 (for good), 15.4.3 (for now), 15.5.5 and 15.5.11 (nothing lies there).
test.each([
  ['/here', 'seen', null],
  ['/elsewhere-today', 'seen', null],
  ['/then-today', 'seen', null],
  ['/no-head', 'seen', null],
  ['/gone', 'gone', 'answers 410'],
  ['/nowhere', 'gone', 'answers 404'],
  ['/closed', 'unsure', 'answers 403'],
  ['/front', 'unsure', 'leads to the front page of its host'],
  ['/round', 'unsure', 'leads from one address to the next without end'],
  ['/odd', 'unsure', 'leads to what is no address'],
  ['/silent', 'unsure', 'did not answer in time'],
] as const)('%s is %s', async (path, state, words) => {
  expect(await look(path)).toEqual({ state, words, movedTo: null, wait: 0 });
});

test('what moved for good is told with its place on the page, after however many moves', async () => {
  const movedTo = `http://${host}/here#times`;
  expect(await look('/moved#times')).toEqual({ state: 'moved', words: null, movedTo, wait: 0 });
  expect(await look('/twice#times')).toMatchObject({ state: 'moved', movedTo });
});

test('only the head is asked for where that is answered, and a host that is busy is asked once and left alone', async () => {
  await look('/here');
  expect(asked).toEqual(['HEAD /here']);
  expect(await look('/busy')).toEqual({ state: 'unsure', words: 'answers 429', movedTo: null, wait: 90_000 });
  expect(asked).toEqual(['HEAD /here', 'HEAD /busy']);
});

test('no host is visited that is not allowed, nor one that an allowed one leads to, nor the house’s own network', async () => {
  expect((await look('/here', { INKWELL_LINK_HOSTS: '', INKWELL_PRIVATE_HOSTS: host })).words).toContain('none of the hosts');
  expect((await look('/away')).words).toContain('larkmoor.example');
  // With any host allowed, machines that are not reached from everywhere are still left alone.
  expect((await look('/here', { INKWELL_LINK_HOSTS: '*', INKWELL_PRIVATE_HOSTS: '' })).state).toBe('unsure');
  expect(asked).toEqual(['HEAD /away']);
  expect((await look('/here', { INKWELL_LINK_HOSTS: '*', INKWELL_PRIVATE_HOSTS: host })).state).toBe('seen');
});
