import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { decodeHtml, limitsFrom, readPlace, zipSource } from '@inkwell/formats';
import { bringImage, goesOut, saveSource, sendOutFolder, sendOutPage } from '../index.ts';
import { bench, INES, RUTH } from '../testing/bench.ts';
import { document, packageBench } from '../testing/packages.ts';

const b = bench();
const { services } = b;
const packages = packageBench(b);

const LATIN = Buffer.from(
  '<html><head><title>Caf\xe9</title><meta charset="iso-8859-1"></head><body><p>caf\xe9</p></body></html>',
  'latin1',
);
const SITE = [
  { name: 'index.html', data: document('Visit', '') },
  { name: 'walks/short.html', data: document('A short walk', '') },
  { name: 'walks/far/cafe.html', data: LATIN },
  { name: 'walks/map.png', data: 'a map' },
  { name: 'boats/boat.png', data: 'a boat' },
];

test('a folder goes out with its pages as they are now, each in its own encoding, and its files byte for byte', async () => {
  const slug = await packages.arrived(await packages.sent('folders.zip', SITE));
  const out = await goesOut(services, RUTH, { collection: slug });
  expect(out).toMatchObject({
    value: {
      folders: [
        { folder: 'boats/', files: 1 },
        { folder: 'walks/', files: 3 },
        { folder: 'walks/far/', files: 1 },
      ],
    },
  });
  const { pageId, version, html } = await packages.deskOn(slug, 'a-short-walk');
  await saveSource(services, INES, { pageId, version, html: html.replace('The cut is open.', 'The cut is shut.') });
  const sent = await sendOutFolder(services, RUTH, { collection: slug, folder: 'walks/', into: packages.folder });
  if (!sent.ok) throw new Error(sent.problem.what);
  expect(sent.value.name).toBe('walks.zip');
  const { files } = await zipSource(sent.value.file, limitsFrom({}));
  const read = new Map<string, Buffer>();
  for (const { path, place } of files) read.set(path, await readPlace(place, 1_000_000));
  expect([...read.keys()].sort()).toEqual(['walks/far/cafe.html', 'walks/map.png', 'walks/short.html']);
  expect(read.get('walks/far/cafe.html')).toEqual(LATIN);
  expect(read.get('walks/map.png')!.toString()).toBe('a map');
  expect(read.get('walks/short.html')!.toString()).toContain('The cut is shut.');
  expect(await sendOutFolder(services, RUTH, { collection: slug, folder: 'none/', into: packages.folder })).toMatchObject({ ok: false });
});

test('one page goes out as the file it came in; what lay inside XML goes out as HTML of its own', async () => {
  const slug = await packages.arrived(await packages.sent('page.zip', SITE));
  expect(await sendOutPage(services, RUTH, { collection: slug, page: 'cafe' })).toMatchObject({ ok: true, value: { name: 'cafe.html' } });
  const course = await packages.arrived(
    await packages.sent('course.imscc', [
      {
        name: 'imsmanifest.xml',
        data: '<manifest><organizations><organization><item identifierref="t"><title>Hello</title></item></organization></organizations><resources><resource identifier="t" type="imsdt_xmlv1p1"><file href="t.xml"/></resource></resources></manifest>',
      },
      { name: 't.xml', data: '<topic><title>T</title><text texttype="text/html">&lt;p&gt;Hello&lt;/p&gt;</text></topic>' },
    ]),
  );
  const topic = await sendOutPage(services, RUTH, { collection: course, page: 'hello' });
  if (!topic.ok) throw new Error(topic.problem.what);
  expect(topic.value.name).toBe('hello.html');
  expect(decodeHtml(topic.value.bytes)).toMatchObject({ text: '<p>Hello</p>' });
});

test('an image that was taken into a book is named in its package document, and everything else goes out as it came', async () => {
  const PACKAGE = `<?xml version="1.0"?><package xmlns="http://www.idpf.org/2007/opf" version="3.0"><metadata/><manifest>
<item id="a" href="a.xhtml" media-type="application/xhtml+xml"/>
</manifest><spine><itemref idref="a"/></spine></package>`;
  const PAGE = '<html xmlns="http://www.w3.org/1999/xhtml" lang="en"><head><title>Locks</title></head><body><h1>Locks</h1></body></html>';
  const slug = await packages.arrived(
    await packages.sent('book.epub', [
      { name: 'mimetype', data: 'application/epub+zip' },
      { name: 'META-INF/container.xml', data: '<container><rootfiles><rootfile full-path="OPS/p.opf"/></rootfiles></container>' },
      { name: 'OPS/p.opf', data: PACKAGE },
      { name: 'OPS/a.xhtml', data: PAGE },
    ]),
  );
  const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="4" height="2"/>');
  const brought = await bringImage(services, INES, { collection: slug, name: 'Lock.svg', bytes: svg });
  expect(brought).toMatchObject({ value: { path: 'images/lock.svg' } });
  const { pageId, version, html } = await packages.deskOn(slug, 'locks');
  await saveSource(services, INES, { pageId, version, html: html.replace('</h1>', '</h1><img src="../images/lock.svg" alt="A lock"/>') });
  const { bytes } = await packages.out(slug);
  const file = join(packages.folder, 'again.epub');
  writeFileSync(file, bytes);
  const { files } = await zipSource(file, limitsFrom({}));
  const read = async (path: string) => (await readPlace(files.find((one) => one.path === path)!.place, 1_000_000)).toString();
  expect(files.map(({ path }) => path).sort()).toEqual([
    'META-INF/container.xml',
    'OPS/a.xhtml',
    'OPS/p.opf',
    'images/lock.svg',
    'mimetype',
  ]);
  expect(await read('OPS/p.opf')).toBe(
    PACKAGE.replace('</manifest>', '<item id="added-1" href="../images/lock.svg" media-type="image/svg+xml"/>\n</manifest>'),
  );
  expect(await read('images/lock.svg')).toBe(svg.toString());
});
