import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { fetchAddress } from './fetcher.ts';
import { gather, type Gathered, type Wanted } from './gather.ts';
import { barredAddress, barredPlace, hostPolicyFrom } from './hosts.ts';
import { readSitemap } from './sitemap.ts';

type Answer = string | ((asked: IncomingMessage, answer: ServerResponse) => void);

let server: Server;
let host = '';
let site: Record<string, Answer> = {};
let asked: string[] = [];
const folder = mkdtempSync(join(tmpdir(), 'inkwell-gather-'));

beforeAll(async () => {
  server = createServer((request, response) => {
    asked.push(request.url!);
    const answer = site[request.url!];
    if (answer === undefined) return void response.writeHead(404).end();
    if (typeof answer === 'function') return answer(request, response);
    response.setHeader('content-type', typeOf(request.url!)).end(answer);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});
beforeEach(() => {
  asked = [];
});

function typeOf(path: string): string {
  if (/\.css/.test(path)) return 'text/css';
  if (/\.png/.test(path)) return 'image/png';
  if (/\.pdf/.test(path)) return 'application/pdf';
  return /\.(?:xml|txt)/.test(path) ? 'text/plain' : 'text/html; charset=utf-8';
}

let rounds = 0;
async function gathered(wanted: Partial<Wanted> = {}, bounds: object = {}): Promise<Gathered & { read: Record<string, string> }> {
  const got = await gather(
    { kind: 'start', addresses: [`http://${host}/`], ...wanted },
    {
      policy: { allowed: [host], private: [host] },
      bounds: { pages: 50, bytes: 5_000_000, seconds: 30, ...bounds },
      folder: join(folder, String(rounds++)),
      onProgress: () => Promise.resolve(true),
    },
  );
  const read: Record<string, string> = {};
  for (const { path, bytes } of got.files) read[path] = Buffer.from(await bytes()).toString('utf8');
  return { ...got, read };
}

const page = (title: string, body: string, head = '') =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title>${head}</head><body>${body}</body></html>`;

test('from one page on: its host’s pages with what they show, each address led to its file, the others written out whole', async () => {
  const index = page(
    'Visit',
    `<a href="locks.html#top">Locks</a> <a href="/walks">Walks</a> <a href="http://${host}/walks?from=home">again</a>
     <a href="https://elsewhere.example/x">out</a> <a href="gone.html">Gone</a> <a href="#here">here</a> <a href="mailto:a@b.example">Write</a>
     <img src="images/boat.png" srcset="images/boat.png 1x, images/boat@2.png 2x"> <a href="files/plan.pdf">Plan</a>`,
    '<link rel="stylesheet" href="site.css">',
  );
  site = {
    '/': index,
    '/locks.html': page('Locks', '<a href="./">Home</a><a href="https://elsewhere.example/">o</a>'),
    '/walks': page('Walks', '<a href="locks.html">Locks</a><img src="images/boat.png">'),
    '/walks?from=home': page('Walks from home', 'x'),
    '/site.css': 'body { background: url(images/paper.png) } @import "more.css";',
    '/more.css': 'p { color: black }',
    '/images/boat.png': 'boat',
    '/images/boat@2.png': 'boat twice',
    '/images/paper.png': 'paper',
    '/files/plan.pdf': '%PDF-1.4',
  };
  const { read, troubles } = await gathered();
  expect(read['index.html']).toContain('<title>Visit</title>');
  expect(Object.keys(read).sort()).toEqual([
    'files/plan.pdf',
    'images/boat.png',
    'images/boat@2.png',
    'images/paper.png',
    'index.html',
    'locks.html',
    'more.css',
    'site.css',
    'walks-from-home.html',
    'walks.html',
  ]);
  expect(troubles).toEqual([{ path: `http://${host}/gone.html`, what: 'answers 404' }]);
  expect(read['index.html']).toBe(
    index.replace('href="/walks"', 'href="walks.html"').replace(`href="http://${host}/walks?from=home"`, 'href="walks-from-home.html"'),
  );
  // What leads to its file already stays byte for byte.
  expect(read['walks.html']).toBe(site['/walks']);
});

test('a folder and the page in it are one page; what they show comes too, however few pages may', async () => {
  site = {
    '/': page('Visit', '<a href="index.html">Home</a><a href="b.html">B</a><img src="a.png">'),
    '/b.html': page('B', ''),
    '/a.png': 'a',
  };
  site['/index.html'] = site['/']!;
  const { read } = await gathered();
  expect(Object.keys(read)).toEqual(['index.html', 'b.html', 'a.png']);
  expect(read['index.html']).toBe(site['/']);
  expect(Object.keys((await gathered({}, { pages: 1 })).read)).toEqual(['index.html', 'a.png']);
});

test('a list keeps to its addresses; what is none, and what no house allows, is told', async () => {
  site = { '/a.html': page('A', '<a href="b.html">B</a>'), '/b.html': page('B', '') };
  const { read, troubles } = await gathered({
    kind: 'addresses',
    addresses: [`http://${host}/a.html`, 'ftp://canal.example/x', 'https://elsewhere.example/', 'no address'],
  });
  expect(read).toEqual({ 'a.html': page('A', `<a href="http://${host}/b.html">B</a>`) });
  expect(troubles.map(({ what }) => what)).toEqual([
    'is neither http nor https',
    'lies on elsewhere.example, which is none of the hosts this house allows',
    'is no address',
  ]);
});

test('a sitemap names the pages, also one packed with gzip that another names', async () => {
  const inner = gzipSync(
    `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>http://${host}/a.html</loc></url></urlset>`,
  );
  site = {
    '/sitemap.xml': `<sitemapindex><sitemap><loc>http://${host}/pages.xml.gz</loc></sitemap></sitemapindex>`,
    '/pages.xml.gz': (_request, response) => void response.setHeader('content-type', 'application/gzip').end(inner),
    '/a.html': page('A', ''),
  };
  expect(Object.keys((await gathered({ kind: 'sitemap', addresses: [`http://${host}/sitemap.xml`] })).read)).toEqual(['a.html']);
  expect(readSitemap(Buffer.from('http://canal.example/a\n# no\nhttps://canal.example/b'))?.pages).toHaveLength(2);
  expect(readSitemap(Buffer.from('<!DOCTYPE x [<!ENTITY a "b">]><urlset><url><loc>&a;</loc></url></urlset>'))).toBeNull();
});

test('robots.txt is kept, and a host that cannot say forbids all (RFC 9309)', async () => {
  site = {
    '/robots.txt': 'User-agent: *\nDisallow: /private/\n',
    '/': page('Visit', '<a href="private/a.html">a</a><a href="open.html">o</a>'),
    '/open.html': page('Open', ''),
    '/private/a.html': page('Private', ''),
  };
  const { read, troubles } = await gathered();
  expect(Object.keys(read)).toEqual(['index.html', 'open.html']);
  expect(troubles).toEqual([{ path: `http://${host}/private/a.html`, what: 'is not for visitors like this one (robots.txt)' }]);
  expect(asked).not.toContain('/private/a.html');
  site['/robots.txt'] = (_request, response) => void response.writeHead(503).end();
  await expect(gathered()).rejects.toThrow('robots.txt');
});

test('bounds of pages, of bytes and of one answer hold, and what has come stays', async () => {
  site = Object.fromEntries(
    Array.from({ length: 9 }, (_, nth) => [`/${nth === 0 ? '' : `${nth}.html`}`, page(`P${nth}`, `<a href="${nth + 1}.html">next</a>`)]),
  );
  const few = await gathered({}, { pages: 3 });
  expect(Object.keys(few.read)).toHaveLength(3);
  expect(few.troubles[0]!.what).toBe('only the first 3 pages were fetched; 1 more were known');
  site['/2.html'] = page('Long', 'x'.repeat(200_000));
  const small = await gathered({}, { bytes: 100_000 });
  expect(Object.keys(small.read)).toEqual(['index.html', '1.html']);
  expect(small.troubles[0]!.what).toMatch(/^is larger than/);
});

test('an answer that unpacks to far more than may be is cut off', async () => {
  const bomb = gzipSync(Buffer.alloc(30_000_000));
  site = {
    '/': (_request, response) => void response.setHeader('content-encoding', 'gzip').setHeader('content-type', 'text/html').end(bomb),
  };
  await expect(gathered()).rejects.toThrow('is larger than');
});

test('an answer that breaks off in the middle, packed or not, ends there', async () => {
  const packed = gzipSync(Buffer.from(page('Visit', 'x'.repeat(50_000))));
  site = {
    '/': (_request, response) => {
      response.writeHead(200, { 'content-encoding': 'gzip', 'content-type': 'text/html', 'content-length': packed.length });
      response.write(packed.subarray(0, 60));
      setTimeout(() => response.destroy(), 50);
    },
  };
  await expect(gathered()).rejects.toThrow('broke off in the middle');
});

test('a redirect is looked at as the first address was, and a page has one file by whatever address it came', async () => {
  const to = (place: string) => (_request: IncomingMessage, response: ServerResponse) =>
    void response.writeHead(302, { location: place }).end();
  site = {
    '/': page('Visit', '<a href="old.html">Old</a><a href="new.html">New</a><a href="out.html">Out</a><a href="round.html">Round</a>'),
    '/old.html': to('/new.html'),
    '/new.html': page('New', ''),
    '/out.html': to('http://169.254.169.254/latest/meta-data'),
    '/round.html': to('/round.html'),
  };
  const { read, troubles } = await gathered();
  expect(Object.keys(read)).toEqual(['index.html', 'new.html']);
  expect(read['index.html']).toContain('<a href="new.html">Old</a>');
  expect(troubles.map(({ what }) => what)).toEqual([
    expect.stringContaining('which lies on 169.254.169.254, which is none of the hosts') as string,
    'leads from one address to the next without end',
  ]);
});

test('a private network is spoken to only where the house says so, whether named by number or by name', async () => {
  const bounds = { most: 1_000, within: 2_000 };
  const port = host.split(':')[1]!;
  site = { '/': 'here' };
  await expect(fetchAddress({ allowed: [host], private: [] }, new URL(`http://${host}/`), bounds)).rejects.toThrow(
    'lies in a private network',
  );
  const named = new URL(`http://localhost:${port}/`);
  await expect(fetchAddress({ allowed: [`localhost:${port}`], private: [] }, named, bounds)).rejects.toThrow('lies in a private network');
  expect((await fetchAddress({ allowed: [`localhost:${port}`], private: [`localhost:${port}`] }, named, bounds)).bytes.toString()).toBe(
    'here',
  );
  expect(asked).toEqual(['/']);
});

test.each([
  ['http://10.0.0.1/', false],
  ['http://192.168.1.1/', false],
  ['http://[::1]/', false],
  ['http://[::ffff:127.0.0.1]/', false],
  ['http://[fd00::1]/', false],
  ['http://2130706433/', false],
  ['http://0x7f.1/', false],
  ['http://0.0.0.0/', false],
  ['http://100.64.0.1/', false],
  ['http://93.184.216.34/', true],
  ['http://[2606:2800:220:1::1]/', true],
])('%s may be spoken to: %s', (address, may) => {
  const url = new URL(address);
  const policy = { allowed: [url.hostname], private: [] };
  expect(barredAddress(policy, url) === null).toBe(may);
});

test('hosts are allowed by name, by port and with all below', () => {
  const policy = hostPolicyFrom({ INKWELL_HOSTS: 'canal.example, *.Larkmoor.example docs.example:8080' });
  const may = (address: string) => barredAddress(policy, new URL(address)) === null;
  expect(['https://canal.example/a', 'https://www.larkmoor.example/', 'http://docs.example:8080/'].map(may)).toEqual([true, true, true]);
  expect(
    [
      'https://larkmoor.example/',
      'https://notlarkmoor.example/',
      'http://docs.example/',
      'https://canal.example:99/',
      'https://a:b@canal.example/',
    ].map(may),
  ).toEqual([false, false, false, false, false]);
  expect(barredPlace(policy, new URL('https://canal.example/'), '127.0.0.1')).toBe('lies in a private network (127.0.0.1)');
});

test('an encoding that only the answer names is read, and a base of the page’s own is followed', async () => {
  // “Шлюз”, a lock, in KOI8-R.
  const word = Buffer.from([0xfb, 0xcc, 0xc0, 0xda]);
  const bytes = Buffer.concat([
    Buffer.from('<html><head><title>'),
    word,
    Buffer.from('</title><base href="/deep/"></head><body><a href="b.html">b</a></body></html>'),
  ]);
  site = {
    '/': (_request, response) => void response.setHeader('content-type', 'text/html; charset=koi8-r').end(bytes),
    '/deep/b.html': page('B', ''),
  };
  const { read } = await gathered();
  expect(read['index.html']).toBe(
    '\ufeff<html><head><title>Шлюз</title><base href=""></head><body><a href="deep/b.html">b</a></body></html>',
  );
});
