import { lookup } from '@inkwell/core';
import { mkdir, readFile, rename } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { writeNewZip } from '@inkwell/formats';
import { docxParts, type Block } from '../../packages/formats/src/testing/docx.ts';
import { ATTACHED } from './attachments.ts';
import { bees, bird, boat, flower, tool } from './drawn.ts';
import { COLLECTIONS, type ScenarioCollection } from './scenario.ts';

const folder = join(dirname(fileURLToPath(import.meta.url)), '..');

interface Entry {
  path: string;
  bytes: Uint8Array;
}

const DRAWN: Readonly<Record<string, (nth: number) => string>> = { flower, boat, bird, tool, bees };

/** An image as a bitmap: of a drawing of ours, or of one that is drawn by rule. */
async function image(path: string, drawing: string): Promise<Entry> {
  const [kind = '', nth = ''] = drawing.split(' ');
  const draw = lookup(DRAWN, kind);
  const svg = draw ? Buffer.from(draw(Number(nth))) : await readFile(join(folder, 'drawings', `${drawing}.svg`));
  const bitmap = sharp(svg);
  return { path, bytes: await (path.endsWith('.jpg') ? bitmap.jpeg({ quality: 80 }) : bitmap.png({ compressionLevel: 9 })).toBuffer() };
}

async function entriesOf(collection: ScenarioCollection): Promise<Entry[]> {
  const files = [...collection.pages.map(({ file }) => file), ...collection.texts];
  return [
    ...(await Promise.all(files.map(async (path) => ({ path, bytes: await readFile(join(folder, 'pages', collection.folder, path)) })))),
    ...(await Promise.all(Object.entries(collection.images).map(([path, drawing]) => image(path, drawing)))),
    ...(lookup(ATTACHED, collection.slug) ?? []),
  ];
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
const text = (path: string, content: string): Entry => ({ path, bytes: Buffer.from(content) });

/** Texts that a course keeps inside XML: a discussion and an assignment. */
const TOPICS = [
  {
    id: 'hello',
    title: 'Say hello',
    html:
      '<p>Write two or three lines about yourself.</p><h3></h3><p>Have you ever been stung? ' +
      '<a href="$IMS-CC-FILEBASE$/welcome.html">Click here</a> if you are new.</p>',
  },
];

/** The course as a Common Cartridge 1.1, as its manifest has it (IMS GLC; written from memory of the published binding). */
async function cartridge(collection: ScenarioCollection): Promise<Entry[]> {
  const item = (id: string, title: string) => `<item identifier="i-${id}" identifierref="${id}"><title>${escaped(title)}</title></item>`;
  const resource = (id: string, type: string, href: string) =>
    `<resource identifier="${id}" type="${type}" href="${href}"><file href="${href}"/></resource>`;
  const ids = collection.pages.map(({ file }) => file.replace(/\.html$/, ''));
  const entries = await entriesOf(collection);
  const others = entries.filter(({ path }) => !path.endsWith('.html'));
  const course = `<title>${escaped(collection.title)}</title><item identifier="root">`;
  const manifest = `<?xml version="1.0" encoding="UTF-8"?>
<manifest identifier="larkmoor-bees" xmlns="http://www.imsglobal.org/xsd/imsccv1p1/imscp_v1p1">
<metadata><schema>IMS Common Cartridge</schema><schemaversion>1.1.0</schemaversion></metadata>
<organizations><organization identifier="course" structure="rooted-hierarchy">${course}
<item identifier="weeks"><title>Weeks</title>
${collection.pages.map(({ title }, nth) => item(ids[nth]!, title)).join('\n')}
</item>
<item identifier="talk"><title>Talk</title>
${TOPICS.map(({ id, title }) => item(id, title)).join('\n')}
</item>
</item></organization></organizations>
<resources>
${collection.pages.map(({ file }, nth) => resource(ids[nth]!, 'webcontent', file)).join('\n')}
${TOPICS.map(({ id }) => resource(id, 'imsdt_xmlv1p1', `${id}.xml`)).join('\n')}
${others.map(({ path }, nth) => resource(`file-${nth}`, 'webcontent', encodeURI(path))).join('\n')}
</resources>
</manifest>
`;
  const topics = TOPICS.map(({ id, title, html }) =>
    text(
      `${id}.xml`,
      `<?xml version="1.0" encoding="UTF-8"?>\n<topic xmlns="http://www.imsglobal.org/xsd/imsccv1p1/imsdt_v1p1">` +
        `<title>${escaped(title)}</title><text texttype="text/html">${escaped(html)}</text></topic>\n`,
    ),
  );
  return [text('imsmanifest.xml', manifest), ...entries, ...topics];
}

/** The field guide as an EPUB 3 (W3C, EPUB 3.3). */
async function book(collection: ScenarioCollection): Promise<Entry[]> {
  const entries = await entriesOf(collection);
  const ids = collection.pages.map(({ file }) => file.replace(/\.xhtml$/, ''));
  const pictures = entries.filter(({ path }) => path.startsWith('images/'));
  const manifest = [
    ...collection.pages.map(({ file }, nth) => `<item id="${ids[nth]}" href="${file}" media-type="application/xhtml+xml"/>`),
    ...pictures.map(({ path }, nth) => `<item id="image-${nth}" href="${path}" media-type="image/png"/>`),
    '<item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>',
  ];
  const metadata = [
    '<dc:identifier id="id">urn:uuid:5b1f7a60-3c1e-4d5e-9a57-1c6f4c0b7d21</dc:identifier>',
    `<dc:title>${escaped(collection.title)}</dc:title>`,
    '<dc:language>en</dc:language>',
    '<meta property="dcterms:modified">2026-03-01T00:00:00Z</meta>',
  ];
  const opf = `<?xml version="1.0" encoding="UTF-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="en">
<metadata xmlns:dc="http://purl.org/dc/elements/1.1/">${metadata.join('')}</metadata>
<manifest>
${manifest.join('\n')}
</manifest>
<spine>${ids.map((id) => `<itemref idref="${id}"/>`).join('')}</spine>
</package>
`;
  const chapters = collection.pages.map(({ file, title }) => `<li><a href="${file}">${escaped(title)}</a></li>`);
  const nav = `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="en" xml:lang="en">
<head><title>Contents</title></head>
<body><nav epub:type="toc"><h1>Contents</h1><ol>${chapters.join('')}</ol></nav></body>
</html>
`;
  const container =
    '<?xml version="1.0" encoding="UTF-8"?>\n<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container">' +
    '<rootfiles><rootfile full-path="EPUB/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>\n';
  const inside = [text('package.opf', opf), text('nav.xhtml', nav), ...entries].map(({ path, bytes }) => ({ path: `EPUB/${path}`, bytes }));
  return [text('mimetype', 'application/epub+zip'), text('META-INF/container.xml', container), ...inside];
}

/** A lesson as the college's word processor wrote it. */
async function lesson(): Promise<Entry[]> {
  const [jars, frame] = [await image('jars', 'honey-jars'), await image('frame', 'brood-frame')];
  const blocks: Block[] = [
    { style: 'heading 1', text: 'Candles from your own wax' },
    { style: 'Normal', text: 'A winter afternoon in the shed, with the wax you kept in summer. Nobody needs to have done it before.' },
    { style: 'heading 2', text: 'What you need' },
    { bullet: 'a kilogram of clean wax' },
    { bullet: 'a pan in a pan of water' },
    { bullet: 'a wick, plaited' },
    { image: frame.bytes, alt: 'A frame with its comb, before the wax is cut' },
    { style: 'heading 4', text: 'How hot' },
    { style: 'Normal', text: 'Wax melts at 63 degrees and catches fire long before it boils. Click here for the safety sheet.' },
    {
      rows: [
        ['Wick', 'Candle'],
        ['thin', '2 cm'],
        ['thick', '5 cm'],
      ],
    },
    { image: jars.bytes, alt: '' },
    { style: 'Safety Box', text: 'Never leave melting wax alone.' },
  ];
  const parts = docxParts(blocks, { title: 'Candles from your own wax', language: 'en-GB' });
  return parts.map(({ name, data }) => ({ path: name, bytes: Buffer.from(data) }));
}

/** Name of the lesson's file. */
export const LESSON = 'candles-from-your-own-wax.docx';

/** Writes the demo's collections as the files they would be in life, into a folder; gives their paths by name. */
export async function writePackages(to: string): Promise<Map<string, string>> {
  await mkdir(to, { recursive: true });
  const written = new Map<string, string>();
  const write = async (name: string, entries: readonly Entry[]) => {
    const file = join(to, name);
    // Made beside and moved into place: whoever takes one meanwhile gets a whole one.
    await writeNewZip(`${file}.part`, inTurn(entries));
    await rename(`${file}.part`, file);
    written.set(name, file);
  };
  for (const collection of COLLECTIONS) {
    const entries = { course: cartridge, site: entriesOf, book }[collection.kind];
    await write(collection.package, await entries(collection));
  }
  await write(LESSON, await lesson());
  return written;
}

async function* inTurn(entries: readonly Entry[]) {
  for (const { path, bytes } of entries) yield await Promise.resolve({ path, bytes: () => Promise.resolve(bytes) });
}
