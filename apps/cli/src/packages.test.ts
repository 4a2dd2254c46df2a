import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeZip } from '../../../packages/formats/src/testing/zips.ts';
import { inkwellFolder } from './testing/inkwell.ts';

const { folder, file, call, remove } = inkwellFolder();
afterAll(remove);

const page = (title: string, body: string) =>
  `<html lang="en"><head><title>${title}</title></head><body><main><h1>${title}</h1><p>Text.</p><h2> </h2>${body}</main></body></html>`;
const SITE = [
  { name: 'a.html', data: page('Locks', '<p>See <a href="gone.html">the old locks</a>.</p>') },
  { name: 'index.html', data: page('Larkmoor', '<p><a href="b.html#4">Boats on the cut</a> <img src="lock.png" alt="A lock"></p>') },
  { name: 'lock.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47]), stored: true },
  { name: 'b.html', data: page('Boats', '<p><a name="4"></a>Narrow ones.</p>') },
  { name: 'style.css', data: 'p { color: #777 }' },
  { name: 'broken.html', data: '%PDF-1.4' },
];
const MANIFEST =
  '<manifest><organizations><organization><title>Bees</title><item identifierref="t"><title>Hello</title></item></organization></organizations><resources><resource identifier="t" type="imsdt_xmlv1p1"><file href="t.xml"/></resource></resources></manifest>';
const TOPIC =
  '<topic><text texttype="text/html">&lt;p&gt;Hello&lt;/p&gt;&lt;h3&gt;&lt;/h3&gt;&lt;p&gt;&lt;img src="a.png"&gt;&lt;/p&gt;</text></topic>';

beforeAll(async () => {
  await writeZip(join(folder, 'site.zip'), SITE);
  await writeZip(join(folder, 'bees.imscc'), [
    { name: 'imsmanifest.xml', data: MANIFEST },
    { name: 't.xml', data: TOPIC },
  ]);
  mkdirSync(join(folder, 'site'));
  for (const { name, data } of SITE) file(`site/${name}`, Buffer.from(data));
});

interface Report {
  collection: object;
  troubles: object[];
  pages: { path: string; title: string; findings: { rule: string; fingerprint: string }[] }[];
}

const report = (path: string) => JSON.parse(call(['audit', path, '--format', 'json']).out) as Report;

test.each(['site.zip', 'site'])('the pages of %s come in the order of its links, and know of one another', (path) => {
  const { collection, pages, troubles } = report(path);
  expect(collection).toEqual({ title: 'Larkmoor', kind: 'site', pages: 3, files: 6 });
  expect(pages.map((one) => one.path)).toEqual(['index.html', 'b.html', 'a.html']);
  expect(pages[2]!.findings.map(({ rule }) => rule)).toContain('links/missing-page');
  expect(troubles).toEqual([{ path: 'broken.html', what: 'is no page of text; name an HTML file' }]);
});

test('a fixed package differs in its mended entries alone, and fixing it again changes nothing', async () => {
  const { status, error } = call(['fix', 'site.zip', '--out', 'fixed.zip']);
  expect([status, error]).toEqual([0, expect.stringMatching(/^3 pages: fixed 3 on 3 of them; \d+ left for a person\n$/m) as unknown]);
  await writeZip(
    join(folder, 'expected.zip'),
    SITE.map((one) => ({ ...one, data: typeof one.data === 'string' ? one.data.replace('<h2> </h2>', '') : one.data })),
  );
  expect(readFileSync(join(folder, 'fixed.zip')).equals(readFileSync(join(folder, 'expected.zip')))).toBe(true);
  expect(call(['fix', 'fixed.zip', '--out', 'again.zip']).error).toContain('fixed 0');
  expect(readFileSync(join(folder, 'again.zip')).equals(readFileSync(join(folder, 'fixed.zip')))).toBe(true);
});

test('a name that another page leads to is not renamed', () => {
  expect(report('site.zip').pages[1]!.findings.map(({ rule }) => rule)).toContain('links/anchor-name');
  expect(call(['fix', 'site.zip', '--diff']).out).not.toContain('n4');
  // Alone nobody is known to lead to it.
  expect(call(['fix', 'site/b.html']).out).toContain('<a name="n4">');
});

test('a folder is fixed into a new folder, and without one nothing is written', () => {
  expect(call(['fix', 'site', '--out', 'fixed']).status).toBe(0);
  expect(readFileSync(join(folder, 'fixed/b.html'), 'utf8')).toBe(String(SITE[3]!.data).replace('<h2> </h2>', ''));
  expect(readFileSync(join(folder, 'fixed/style.css'), 'utf8')).toBe(SITE[4]!.data);
  const before = readdirSync(folder).sort();
  const { out, error } = call(['fix', 'site']);
  expect(out).toContain('b.html: Fixed 1: This level 2 heading has no text');
  expect(error).toContain('would fix 3');
  expect(readdirSync(folder).sort()).toEqual(before);
});

test('HTML inside XML is a page, and goes back in its escaping', async () => {
  const { collection, pages } = report('bees.imscc');
  expect(collection).toEqual({ title: 'Bees', kind: 'course', pages: 1, files: 2 });
  expect(pages).toMatchObject([{ path: 't.xml#/topic[1]/text[1]', title: 'Hello', scope: 'fragment', verdict: 'held' }]);
  const { fingerprint } = pages[0]!.findings.find(({ rule }) => rule === 'images/no-alternative')!;
  const one = ['--finding', fingerprint, '--remedy', 'describe', '--set', 'alt=A hive & "bees"', '--page', pages[0]!.path];
  expect(call(['fix', 'bees.imscc', ...one, '--out', 'one.imscc']).status).toBe(1);
  await writeZip(join(folder, 'expected.imscc'), [
    { name: 'imsmanifest.xml', data: MANIFEST },
    { name: 't.xml', data: TOPIC.replace('img src', 'img alt="A hive &amp;amp; &amp;quot;bees&amp;quot;" src') },
  ]);
  expect(readFileSync(join(folder, 'one.imscc')).equals(readFileSync(join(folder, 'expected.imscc')))).toBe(true);
});

test('compare says of each finding which page it is on', () => {
  const { out } = call(['compare', 'site.zip', 'fixed.zip', '--json']);
  const { fixed, new: brought } = JSON.parse(out) as { fixed: { page: string; rule: string }[]; new: object[] };
  expect(fixed.map((one) => `${one.page} ${one.rule}`)).toEqual(['a.html', 'b.html', 'index.html'].map((path) => `${path} headings/blank`));
  expect(brought).toEqual([]);
});

test('inspect --view pages has a row for each page, other views say which page', () => {
  const rows = JSON.parse(call(['inspect', 'site.zip', '--view', 'pages', '--json']).out) as object[];
  expect(rows[0]).toEqual({
    path: 'index.html',
    title: 'Larkmoor',
    scope: 'document',
    contentType: 'article',
    words: 6,
    verdict: 'held',
    open: { must: 1, should: 0, consider: 0, questions: 0 },
  });
});

test('inspect --view images and links tell each once, with all its uses', () => {
  const images = JSON.parse(call(['inspect', 'site.zip', '--view', 'images', '--json']).out) as object[];
  expect(images).toEqual([
    {
      file: 'lock.png',
      uses: [
        {
          page: 'index.html',
          path: '/html[1]/body[1]/main[1]/p[2]/img[1]',
          kind: 'img',
          alt: 'A lock',
          decorative: false,
          linked: false,
          caption: null,
        },
      ],
      width: null,
      height: null,
      bytes: 4,
      fileName: { good: true, proposed: null },
    },
  ]);
  expect(call(['inspect', 'site.zip', '--view', 'images', '--format', 'csv']).out).toBe(
    'page,path,file,alternative,decorative\r\nindex.html,/html[1]/body[1]/main[1]/p[2]/img[1],lock.png,A lock,no\r\n',
  );
  const links = JSON.parse(call(['inspect', 'site', '--view', 'links', '--json']).out) as { to: string; state: string }[];
  expect(links.map(({ to, state }) => `${to} ${state}`)).toEqual(['b.html#4 ok', 'gone.html missing-page']);
});

test.each<[string, string[], RegExp]>([
  ['that is cut short', ['audit', 'cut.zip'], /cut\.zip cannot be opened/],
  ['that is to be written over', ['fix', 'site.zip', '--out', 'site.zip'], /is the package itself/],
  ['with a page that is not there', ['fix', 'site.zip', '--page', 'x.html', '--finding', '00'], /has no page x\.html/],
  ['with a finding on no page', ['fix', 'site.zip', '--finding', '00'], /needs --page/],
])('a package %s is answered in one line', (_what, args, line) => {
  file('cut.zip', readFileSync(join(folder, 'site.zip')).subarray(0, 500));
  const { status, out, error } = call(args);
  expect([status, out]).toEqual([2, '']);
  expect(error).toMatch(line);
  expect(error.trim().split('\n')).toHaveLength(1);
});

test('a package without pages is no error', async () => {
  await writeZip(join(folder, 'none.zip'), [{ name: 'a.txt', data: 'x' }]);
  const { status, out } = call(['audit', 'none.zip']);
  expect([status, out]).toEqual([0, expect.stringContaining('holds no HTML pages') as unknown]);
});
