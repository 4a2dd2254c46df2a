import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { contentOf, folderConnector, joinParts, splitParts } from '../index.ts';

const root = mkdtempSync(join(tmpdir(), 'inkwell-folder-'));
const outside = mkdtempSync(join(tmpdir(), 'inkwell-outside-'));
const folder = folderConnector(root);

beforeAll(() => {
  mkdirSync(join(root, 'bees/drafts/unit'), { recursive: true });
  writeFileSync(join(root, 'bees/drafts/unit/hive.html'), '<h2>Hive</h2>');
  writeFileSync(join(root, 'bees/drafts/hive.png'), 'an image');
  writeFileSync(join(outside, 'secret.html'), 'secret');
  symlinkSync(join(outside, 'secret.html'), join(root, 'bees/drafts/led-out.html'));
});
afterAll(() => [root, outside].forEach((one) => rmSync(one, { recursive: true })));

async function page() {
  for await (const some of folder.pages('bees')) return some.find(({ address }) => address === 'unit/hive.html')!;
  throw new Error('no page');
}

test('a folder: drafts are listed, changed under their tag, published beside, and taken off', async () => {
  expect(await folder.places()).toEqual([{ place: 'bees', title: 'bees' }]);
  const before = await page();
  expect([before.publicAddress, (await folder.read(before.remote))!.html]).toEqual([null, '<h2>Hive</h2>']);
  expect(await folder.push(before.remote, { html: 'x', note: '' }, 'another tag')).toEqual({ ok: false, why: 'changed there' });
  const pushed = await folder.push(before.remote, { html: '<h2>The hive</h2>', note: '' }, before.tag);
  expect(pushed).toMatchObject({ ok: true });
  expect(await folder.publish(before.remote, before.tag, [])).toEqual({ ok: false, why: 'changed there' });
  const out = await folder.publish(before.remote, pushed.ok ? pushed.tag : '', ['hive.png']);
  expect(await folder.shown(out.ok ? out.address : '')).toBe('<h2>The hive</h2>');
  expect(readFileSync(join(root, 'bees/public/unit/hive.html'), 'utf8')).toBe('<h2>The hive</h2>');
  await folder.unpublish(before.remote);
  expect([await folder.shown(before.remote), (await page()).publicAddress]).toEqual([null, null]);
  // What a page shows is out with it.
  expect(readFileSync(join(root, 'bees/public/hive.png'), 'utf8')).toBe('an image');
});

test('a folder: files are put in the place of those that were seen, and where there is none', async () => {
  const [before] = await folder.files('bees');
  expect(before).toMatchObject({ path: 'hive.png', size: 8 });
  const file = { mediaType: 'image/png', bytes: Buffer.from('another image') };
  expect(await folder.putFile('bees', 'hive.png', file, null)).toEqual({ ok: false, why: 'changed there' });
  expect(await folder.putFile('bees', 'hive.png', file, before!.tag)).toMatchObject({ ok: true });
  expect(await folder.putFile('bees', 'hive.png', file, before!.tag)).toEqual({ ok: false, why: 'changed there' });
  expect(await folder.putFile('bees', 'unit/new.png', file, null)).toMatchObject({ ok: true });
  expect(Buffer.from((await folder.file('bees', 'unit/new.png'))!).toString()).toBe('another image');
});

test('nothing outside the folder is read or written, by dots or by links', async () => {
  for (const remote of ['bees/../../secret.html', '../secret.html', 'bees/led-out.html'])
    await expect(folder.read(remote)).rejects.toThrow('leads out of the folder');
  await expect(folder.push('bees/../../../x.html', { html: 'x', note: '' }, '')).rejects.toThrow('leads out of the folder');
  await expect(folderConnector(join(root, 'none')).places()).rejects.toThrow('not there');
});

test('parts become one text and parts again; a lost comment between them is noticed', () => {
  const parts = [
    { name: 'main', html: '<p>One</p>\n' },
    { name: 'aside', html: '<p>Two</p>' },
  ];
  const text = joinParts(parts);
  expect(text).toBe('<p>One</p>\n<!-- part: aside -->\n<p>Two</p>');
  expect(splitParts(text, ['main', 'aside'])).toEqual(parts);
  expect(splitParts(text.replace('<!-- part: aside -->\n', ''), ['main', 'aside'])).toBeNull();
  expect(splitParts(`${text}<!-- part: aside -->\nx`, ['main', 'aside'])).toBeNull();
  expect(splitParts(joinParts([{ name: 'main', html: '' }]), ['main'])).toEqual([{ name: 'main', html: '' }]);
});

test('what the author wrote is told from the frame; a page that was cut short has no such place', () => {
  expect(contentOf('<main><!--content--><p>x</p>\n<!--/content--></main>')).toBe('<p>x</p>\n');
  expect(contentOf('<main><!--content--><p>x')).toBeNull();
  expect(contentOf('<!--/content--><!--content-->')).toBeNull();
});

test('nothing new is written out of the folder through a link, whatever lies on the way', async () => {
  symlinkSync(outside, join(root, 'bees/drafts/away'));
  symlinkSync(join(outside, 'not-yet.html'), join(root, 'bees/drafts/dangling.html'));
  for (const path of ['away/new.png', 'away/deep/er/new.png', 'dangling.html'])
    await expect(folder.putFile('bees', path, { bytes: Buffer.from('x'), mediaType: 'image/png' }, null)).rejects.toThrow('leads out');
  expect(readdirSync(outside)).toEqual(['secret.html']);
});

test.each([
  [
    'windows-1252, which it does not name',
    '<h2>Bienenstöcke “am Kanal”</h2>',
    'windows-1252',
    '<h2>Bienenst\u00f6cke \u0093am Kanal\u0094</h2>',
  ],
  [
    'the encoding it names',
    '<meta charset="iso-8859-2"><h2>Včelí úly</h2>',
    'iso-8859-2',
    '<meta charset="iso-8859-2"><h2>V\u00e8el\u00ed \u00faly</h2>',
  ],
  ['UTF-8 with its mark', '\ufeff<h2>Öffnung</h2>', 'utf-8', '\ufeff<h2>Öffnung</h2>'],
])('a page in %s is read as it is meant, and goes back as it was', async (_what, text, encoding, written) => {
  const bytes = Buffer.from(written, encoding === 'utf-8' ? 'utf8' : 'latin1');
  writeFileSync(join(root, 'bees/drafts/old.html'), bytes);
  const read = (await folder.read('bees/old.html'))!;
  expect(read.html).toBe(text);
  const pushed = await folder.push('bees/old.html', { html: text, note: '' }, read.tag);
  expect([pushed.ok, readFileSync(join(root, 'bees/drafts/old.html')).equals(bytes)]).toEqual([true, true]);
  if (encoding === 'utf-8') return;
  await expect(folder.push('bees/old.html', { html: `${text}漢`, note: '' }, read.tag)).rejects.toThrow('lacks a character');
  expect(readFileSync(join(root, 'bees/drafts/old.html')).equals(bytes)).toBe(true);
});
