import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const root = join(__dirname, '../../../..');
const folder = mkdtempSync(join(tmpdir(), 'inkwell-pdf-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What is read in files, by a program of its own: the reader is a module that Jest cannot load. */
function lookedInto(files: Record<string, string | Uint8Array>): Record<string, unknown> {
  for (const [name, bytes] of Object.entries(files)) writeFileSync(join(folder, name), bytes);
  const script = `import { readFileSync } from 'node:fs';
    import { lookInto } from ${JSON.stringify(pathToFileURL(join(__dirname, 'look.ts')).href)};
    const read = {};
    for (const name of ${JSON.stringify(Object.keys(files))}) read[name] = await lookInto(readFileSync(${JSON.stringify(folder)} + '/' + name), name);
    console.log(JSON.stringify(read));`;
  writeFileSync(join(folder, 'look.mts'), script);
  const ran = spawnSync(join(root, 'node_modules/.bin/tsx'), [join(folder, 'look.mts')], { encoding: 'utf8' });
  if (ran.status !== 0) throw new Error(ran.stderr);
  return JSON.parse(ran.stdout) as Record<string, unknown>;
}

/** Prints a page as Chromium does: with tags, title and language. */
function printed(html: string): string {
  const file = join(folder, 'printed.pdf');
  writeFileSync(join(folder, 'page.html'), html);
  const flags = [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--no-first-run',
    '--no-pdf-header-footer',
    `--user-data-dir=${join(folder, 'chromium')}`,
  ];
  const ran = spawnSync('chromium', [...flags, `--print-to-pdf=${file}`, pathToFileURL(join(folder, 'page.html')).href], {
    encoding: 'utf8',
  });
  if (ran.status !== 0) throw new Error(ran.stderr);
  return file;
}

test('what a PDF says of itself, of one that a browser printed with tags, of plain ones and of none', async () => {
  const { readFileSync } = await import('node:fs');
  const { ATTACHED } = await import('../../../../demo/src/attachments.ts');
  const tagged = readFileSync(
    printed('<!doctype html><html lang="en-GB"><title>Tides at Larkmoor</title><h1>Tides</h1><p>High water at noon.</p></html>'),
  );
  const scanned = readFileSync(
    printed(
      '<!doctype html><title></title><img alt="" src="data:image/gif;base64,R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7" width="600" height="800">',
    ),
  );
  const read = lookedInto({
    'tides.pdf': tagged,
    'scan.pdf': scanned,
    'sheet.pdf': ATTACHED['a-first-year-with-bees']![0]!.bytes,
    'cut.pdf': tagged.subarray(0, 900),
    'page.pdf': '<html><body>This is no PDF.</body></html>',
    'talk.vtt': '',
  });
  expect(read['tides.pdf']).toEqual({
    of: 'PDF',
    locked: false,
    pages: 1,
    tagged: true,
    title: 'Tides at Larkmoor',
    language: 'en-GB',
    outline: false,
    looked: 1,
    withText: 1,
    imagesOnly: 0,
  });
  expect(read['scan.pdf']).toMatchObject({ withText: 0, imagesOnly: 1 });
  expect(read['sheet.pdf']).toMatchObject({ pages: 2, tagged: false, title: null, language: null, withText: 2, imagesOnly: 0 });
  expect(read['cut.pdf']).toEqual({ of: 'unreadable', why: 'It is damaged, or no PDF at all.' });
  expect(read['page.pdf']).toEqual({ of: 'unreadable', why: 'It is damaged, or no PDF at all.' });
  expect(read['talk.vtt']).toEqual({ of: 'unreadable', why: 'It is empty.' });
});
