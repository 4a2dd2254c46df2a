import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeZip } from '../testing/zips.ts';
import { limitsFrom } from '../zip/limits.ts';
import { readCollection, siteOrder, type Collection } from './collection.ts';
import { folderSource, readPlace, zipSource } from './source.ts';

const folder = mkdtempSync(join(tmpdir(), 'inkwell-packages-'));
afterAll(() => rmSync(folder, { recursive: true }));

async function packed(files: Record<string, string>): Promise<Collection> {
  const zip = join(folder, 'package.zip');
  await writeZip(
    zip,
    Object.entries(files).map(([name, data]) => ({ name, data })),
  );
  return readCollection(await zipSource(zip, limitsFrom({})));
}

const paths = ({ pages }: Collection) => pages.map(({ path }) => path);

const MANIFEST = `<?xml version="1.0"?><manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1" xml:base="content/">
<metadata><lom:lom xmlns:lom="urn:lom"><lom:general>
<lom:title><lom:langstring>A First Year with Bees</lom:langstring></lom:title></lom:general></lom:lom></metadata>
<organizations default="o2"><organization identifier="o1"><item identifierref="r3"><title>Not this</title></item></organization>
<organization identifier="o2"><title>Bees</title><item><title>Spring</title>
<item identifierref="r2"><title>The hive</title></item>
<item identifierref="r1"><title>The smoker</title></item></item>
<item identifierref="t"><title>Say hello</title></item><item identifierref="gone"/></organization></organizations>
<resources><resource identifier="r1" type="webcontent" href="one.html"><file href="one.html"/><file href="extra%20page.html"/></resource>
<resource identifier="r2" type="webcontent" xml:base="unit/" href="two.html"><file href="two.html"/></resource>
<resource identifier="r3" type="webcontent" href="three.html"><file href="three.html"/></resource>
<resource identifier="t" type="imsdt_xmlv1p1"><file href="topic.xml"/></resource>
<resource identifier="m" type="webcontent"><file href="missing.png"/></resource></resources></manifest>`;

test('a course is read in the order of its organisation, then what else its manifest names, then the rest', async () => {
  const course = await packed({
    'imsmanifest.xml': MANIFEST,
    'content/one.html': '<p>1</p>',
    'content/unit/two.html': '<p>2</p>',
    'content/three.html': '<p>3</p>',
    'content/extra page.html': '<p>x</p>',
    'content/topic.xml': '<topic><title>T</title><text texttype="text/html">&lt;p&gt;Hello&lt;/p&gt;</text></topic>',
    'about.html': '<p>About</p>',
  });
  expect([course.kind, course.title, course.files.length]).toEqual(['course', 'A First Year with Bees', 7]);
  expect(course.pages.map(({ path, title, listed }) => [path, title, listed])).toEqual([
    ['content/unit/two.html', 'The hive', true],
    ['content/one.html', 'The smoker', true],
    ['content/topic.xml#/topic[1]/text[1]', 'Say hello', true],
    ['content/extra page.html', '', true],
    ['content/three.html', '', true],
    ['about.html', '', false],
  ]);
  expect(course.troubles).toEqual([{ path: 'imsmanifest.xml', what: 'names content/missing.png, which is not in the package' }]);
  // What a course calls its own folder leads to its files, wherever they lie.
  expect(course.known).toContain('web_resources/content/one.html');
});

test('a manifest that cannot be read is told, and the pages still come', async () => {
  const course = await packed({
    'x/imsmanifest.xml': '<manifest><organizations></manifest>',
    'x/b.html': '<p>b</p>',
    'x/a.html': '<p>a</p>',
  });
  expect([course.kind, paths(course)]).toEqual(['course', ['x/a.html', 'x/b.html']]);
  expect(course.troubles).toMatchObject([
    { path: 'x/imsmanifest.xml', what: expect.stringMatching(/not well-formed.*by path/) as unknown },
  ]);
});

const OPF = (spine: string, extra = '') =>
  `<package xmlns="http://www.idpf.org/2007/opf" xmlns:dc="urn:dc"><metadata><dc:title>Birds of the Cut</dc:title></metadata><manifest>
<item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>
<item id="two" href="two.xhtml" media-type="application/xhtml+xml"/>
<item id="one" href="one.xhtml" media-type="application/xhtml+xml"/>
<item id="pic" href="heron.svg" media-type="image/svg+xml"/>${extra}
</manifest><spine>${spine}</spine></package>`;
const CONTAINER = '<container><rootfiles><rootfile full-path="OEBPS/book.opf"/></rootfiles></container>';

test('a book is read by its spine, with titles and what is led to from its table of contents (EPUB 3.3)', async () => {
  const book = await packed({
    mimetype: 'application/epub+zip',
    'META-INF/container.xml': CONTAINER,
    'OEBPS/book.opf': OPF('<itemref idref="two"/><itemref idref="pic"/><itemref idref="one" linear="no"/>'),
    'OEBPS/nav.xhtml':
      '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>c</title></head>' +
      '<body><nav><ol><li><a href="two.xhtml#heron">The heron</a></li></ol></nav></body></html>',
    'OEBPS/two.xhtml': '<p/>',
    'OEBPS/one.xhtml': '<p/>',
    'OEBPS/stray.xhtml': '<p/>',
    'OEBPS/heron.svg': '<svg/>',
  });
  expect([book.kind, book.title]).toEqual(['book', 'Birds of the Cut']);
  expect(book.pages.map(({ path, title, listed }) => [path, title, listed])).toEqual([
    ['OEBPS/two.xhtml', 'The heron', true],
    ['OEBPS/one.xhtml', '', true],
    ['OEBPS/stray.xhtml', '', false],
  ]);
  expect(book.led).toEqual([{ path: 'OEBPS/two.xhtml', anchor: 'heron' }]);
});

test('an older book has its titles from its NCX (OPF 2.0.1)', async () => {
  const book = await packed({
    'META-INF/container.xml': CONTAINER,
    'OEBPS/book.opf': OPF('<itemref idref="one"/>', '<item id="toc" href="toc.ncx" media-type="application/x-dtbncx+xml"/>').replace(
      ' properties="nav"',
      '',
    ),
    'OEBPS/toc.ncx':
      '<ncx><navMap><navPoint><navLabel><text>Part</text></navLabel><content src="nav.xhtml"/>' +
      '<navPoint><navLabel><text>First bird</text></navLabel><content src="one.xhtml#a"/></navPoint></navPoint></navMap></ncx>',
    'OEBPS/one.xhtml': '<p/>',
  });
  expect(book.pages.map(({ path, title }) => [path, title])).toEqual([['OEBPS/one.xhtml', 'First bird']]);
});

test('pages know the parts they lie in: items around them, entries of the contents around them, folders', async () => {
  const parts = ({ pages }: Collection) => pages.map(({ path, part }) => [path, part]);
  const item = (title: string, ref: string, inner = '') =>
    `<item${ref && ` identifierref="${ref}"`}><title>${title}</title>${inner}</item>`;
  const course = await packed({
    'imsmanifest.xml': `<manifest><organizations><organization><item>${item('Unit 1', '', item('Spring', 'a', item('April', 'b')))}${item('After', 'c')}</item></organization></organizations>
      <resources>${['a', 'b', 'c'].map((id) => `<resource identifier="${id}" href="${id}.html"/>`).join('')}</resources></manifest>`,
    'a.html': '<p>a</p>',
    'b.html': '<p>b</p>',
    'c.html': '<p>c</p>',
  });
  expect(parts(course)).toEqual([
    ['a.html', ['Unit 1']],
    ['b.html', ['Unit 1', 'Spring']],
    ['c.html', []],
  ]);
  const book = await packed({
    'META-INF/container.xml': '<container><rootfiles><rootfile full-path="p.opf"/></rootfiles></container>',
    'p.opf': `<package><manifest><item id="n" href="nav.xhtml" properties="nav" media-type="application/xhtml+xml"/>
      <item id="a" href="a.xhtml" media-type="application/xhtml+xml"/><item id="b" href="b.xhtml" media-type="application/xhtml+xml"/></manifest>
      <spine><itemref idref="a"/><itemref idref="b"/></spine></package>`,
    'nav.xhtml':
      '<html xmlns="http://www.w3.org/1999/xhtml"><body><nav><ol><li><span>Part One</span><ol><li><a href="a.xhtml">Gates</a><ol><li><a href="b.xhtml">Paddles</a></li></ol></li></ol></li></ol></nav></body></html>',
    'a.xhtml': '<html xmlns="http://www.w3.org/1999/xhtml"><body><p>a</p></body></html>',
    'b.xhtml': '<html xmlns="http://www.w3.org/1999/xhtml"><body><p>b</p></body></html>',
  });
  expect(parts(book)).toEqual([
    ['a.xhtml', ['Part One']],
    ['b.xhtml', ['Part One', 'Gates']],
  ]);
  const site = await packed({ 'site/index.html': 'x', 'site/walks/short.html': 'x', 'site/walks/far/long.html': 'x' });
  expect(parts(site)).toEqual([
    ['site/index.html', []],
    ['site/walks/far/long.html', ['walks', 'far']],
    ['site/walks/short.html', ['walks']],
  ]);
});

test('a site is read along its links from its first page, then by path', () => {
  const links: Record<string, string[]> = { 's/index.html': ['s/c.html', 's/sub/', 'elsewhere.html'], 's/sub/index.html': ['s/b.html'] };
  const pages = ['s/a.html', 's/b.html', 's/c.html', 's/index.html', 's/sub/index.html', 's/z.html'].map((path) => ({ path }));
  const order = siteOrder(pages, ({ path }) => links[path] ?? []).map(({ path }) => path);
  expect(order).toEqual(['s/index.html', 's/c.html', 's/sub/index.html', 's/b.html', 's/a.html', 's/z.html']);
  expect(siteOrder([{ path: 'b' }, { path: 'c' }], () => []).map(({ path }) => path)).toEqual(['b', 'c']);
});

test('a folder is read as a package is, and links in it are not followed', async () => {
  const root = join(folder, 'site');
  mkdirSync(join(root, 'sub'), { recursive: true });
  writeFileSync(join(root, 'index.html'), '<p>Home</p>');
  writeFileSync(join(root, 'sub/.DS_Store'), 'x');
  symlinkSync('/etc', join(root, 'sub/etc'));
  const site = await readCollection(await folderSource(root));
  expect([site.kind, paths(site), site.files.map(({ path }) => path)]).toEqual(['site', ['index.html'], ['index.html']]);
  expect(site.known).toEqual(['index.html', 'sub/etc/']);
  expect((await readPlace(site.files[0]!.place, 100)).toString()).toBe('<p>Home</p>');
  await expect(readPlace(site.files[0]!.place, 3)).rejects.toThrow('larger than');
});
