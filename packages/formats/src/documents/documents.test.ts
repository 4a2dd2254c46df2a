import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { limitsFrom, zipSource } from '../index.ts';
import { docxParts, writeDocx, type Block } from '../testing/docx.ts';
import { writeZip } from '../testing/zips.ts';
import { UnreadableDocument, type Converted } from './converted.ts';
import { convertDocx, isDocx } from './docx.ts';
import { isBareImages, pageOfImages } from './images.ts';
import { convertMhtml, isMhtml } from './mhtml.ts';

const folder = mkdtempSync(join(tmpdir(), 'inkwell-documents-'));
afterAll(() => rmSync(folder, { recursive: true }));

const PNG = Buffer.from('89504e470d0a1a0a', 'hex');
const LESSON: Block[] = [
  { style: 'heading 1', text: 'Candles from wax' },
  { style: 'Normal', text: 'Clean wax burns & shines.' },
  { style: 'heading 2', text: 'What you need' },
  { bullet: 'A pan' },
  { bullet: 'A wick' },
  { image: PNG, alt: 'A pan of "clear" wax' },
  {
    rows: [
      ['Wax', 'Wick'],
      ['100 g', '20 cm'],
    ],
  },
  { style: 'Fancy Box', text: 'Never leave it alone.' },
];

async function converted(name: string, blocks = LESSON, about = { title: '', language: 'en-GB' }): Promise<Converted> {
  const file = join(folder, name);
  await writeDocx(file, blocks, about);
  return convertDocx(readFileSync(file), await zipSource(file, limitsFrom({})), name);
}

const pageOf = ({ files }: Converted) => Buffer.from(files[0]!.bytes).toString();

describe('a word-processor document', () => {
  test('becomes a page with its headings, lists, tables, images and their alternatives', async () => {
    const made = await converted('Candle Making.docx');
    expect(made.files.map(({ path }) => path)).toEqual(['candle-making.html', 'candle-making-images/image-1.png', 'Candle Making.docx']);
    const html = pageOf(made);
    expect(html).toContain('<html lang="en-GB">');
    expect(html).toContain('<title>Candles from wax</title>');
    expect(html).toMatch(/<h1>Candles from wax<\/h1>\s*<p>Clean wax burns &amp; shines\.<\/p>\s*<h2>What you need<\/h2>/);
    expect(html).toMatch(/<ul><li>A pan<\/li>\s*<li>A wick<\/li>\s*<\/ul>/);
    expect(html).toContain('alt="A pan of &quot;clear&quot; wax"');
    expect(html).toContain('src="candle-making-images/image-1.png"');
    expect(html).toMatch(/<thead><tr><th>[\s\S]*Wax/);
    expect(Buffer.from(made.files[1]!.bytes).equals(PNG)).toBe(true);
    expect(Buffer.from(made.files[2]!.bytes).equals(readFileSync(join(folder, 'Candle Making.docx')))).toBe(true);
  });

  test('is called what it calls itself, and names what has no equivalent', async () => {
    const made = await converted('c.docx', LESSON, { title: 'Wax &amp; wick', language: 'de' });
    expect(made.title).toBe('Wax & wick');
    expect(pageOf(made)).toContain('<title>Wax &amp; wick</title>');
    expect(made.troubles).toEqual([{ path: 'c.html', what: 'has the style “Fancy Box”, which a page does not have: its text is plain' }]);
  });

  test('is told by its parts, not by its name; a damaged one gets a word', async () => {
    const file = join(folder, 'broken.zip');
    const parts = docxParts(LESSON, { title: '', language: 'en' });
    await writeZip(
      file,
      parts.map((one) => (one.name === 'word/document.xml' ? { ...one, data: '<w:document><w:body>' } : one)),
    );
    const source = await zipSource(file, limitsFrom({}));
    expect(isDocx(source)).toBe(true);
    await expect(convertDocx(readFileSync(file), source, 'broken.docx')).rejects.toThrow(UnreadableDocument);
    expect(isDocx({ files: source.files.filter(({ path }) => path !== 'word/document.xml') })).toBe(false);
  });
});

/** A page as Chromium saves it: one part quoted-printable, one base64, one binary sheet (RFC 2557). */
const SAVED = [
  'From: <Saved by Blink>',
  'Snapshot-Content-Location: https://canal.example/visit/',
  'Subject: Plan your visit',
  'MIME-Version: 1.0',
  'Content-Type: multipart/related;',
  '\ttype="text/html";',
  '\tboundary="----MultipartBoundary--abc----"',
  '',
  '',
  '------MultipartBoundary--abc----',
  'Content-Type: text/html',
  'Content-ID: <frame-1@mhtml.blink>',
  'Content-Transfer-Encoding: quoted-printable',
  'Content-Location: https://canal.example/visit/',
  '',
  '<html lang=3D"en"><head><title>Plan your visit =E2=80=93 all year</title><link rel=3D"stylesheet" href=3D"cid:css-1@mhtml.blink"></head>',
  '<body><p><img src=3D"https://canal.example/img/Heron%20at%20lock.png?w=3D2"> <a href=3D"../trips/?day=3D1&amp;x=3D2">Trips</a> <a href=3D"#top">Up</a></p></body></h=',
  'tml>',
  '------MultipartBoundary--abc----',
  'Content-Type: image/png',
  'Content-Transfer-Encoding: base64',
  'Content-Location: https://canal.example/img/Heron%20at%20lock.png?w=2',
  '',
  PNG.toString('base64'),
  '------MultipartBoundary--abc----',
  'Content-Type: text/css',
  'Content-Transfer-Encoding: quoted-printable',
  'Content-Location: cid:css-1@mhtml.blink',
  '',
  '@charset "utf-8"; .a { background: url("https://canal.example/img/Heron%20at%20lock.png?w=3D2") }',
  '------MultipartBoundary--abc------',
  '',
].join('\r\n');

describe('a page saved as one file', () => {
  test('comes apart into its page and the files it shows; links lead where they led', async () => {
    expect(isMhtml(Buffer.from(SAVED))).toBe(true);
    const made = await convertMhtml(Buffer.from(SAVED), 'Plan your visit.mhtml');
    expect(made.title).toBe('Plan your visit – all year');
    expect(made.files.map(({ path }) => path)).toEqual([
      'plan-your-visit.html',
      'plan-your-visit-files/Heron-at-lock.png',
      'plan-your-visit-files/css-1.css',
    ]);
    const html = pageOf(made);
    expect(html).toContain('<img src="plan-your-visit-files/Heron-at-lock.png">');
    expect(html).toContain('href="plan-your-visit-files/css-1.css"');
    expect(html).toContain('<a href="https://canal.example/trips/?day=1&amp;x=2">');
    expect(html).toContain('<a href="#top">');
    expect(Buffer.from(made.files[1]!.bytes).equals(PNG)).toBe(true);
    expect(Buffer.from(made.files[2]!.bytes).toString()).toContain('url("Heron-at-lock.png")');
  });

  test('without a page, or cut short, gets a word; other files are not taken for one', async () => {
    await expect(convertMhtml(Buffer.from(SAVED.replace('text/html\r\n', 'text/plain\r\n')), 'a.mhtml')).rejects.toThrow(
      'It holds no page.',
    );
    const cut = await convertMhtml(Buffer.from(SAVED.slice(0, 1_000)), 'a.mhtml');
    expect(pageOf(cut)).toContain('Plan your visit');
    for (const other of [
      '<html>MIME-Version: 1.0 multipart/related</html>',
      'From: me\r\nSubject: multipart/related\r\n\r\nHello',
      '%PDF-1.4',
    ])
      expect(isMhtml(Buffer.from(other))).toBe(false);
  });
});

describe('images alone', () => {
  test('are told from a site, and get a page that shows each with its name', () => {
    expect(isBareImages(['a.png', 'b/C D.JPG', 'README.txt'])).toBe(true);
    expect(isBareImages(['a.png', 'index.html'])).toBe(false);
    expect(isBareImages(['README.txt'])).toBe(false);
    const html = pageOfImages(['b/C #D.JPG', 'a.png', 'README.txt'], 'Images of "bees" & co');
    expect(html.indexOf('a.png')).toBeLessThan(html.indexOf('b/C%20%23D.JPG'));
    expect(html).toContain('<figcaption>C #D.JPG</figcaption>');
    expect(html).not.toContain('README');
    writeFileSync(join(folder, 'images.html'), html);
  });
});
