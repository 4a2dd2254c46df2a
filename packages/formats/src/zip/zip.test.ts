import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { openPromise } from 'yauzl';
import { zipSource } from '../packages/source.ts';
import { writeZip, type Packed } from '../testing/zips.ts';
import { readDirectory, RefusedZip, type PackedEntry } from './directory.ts';
import { dataStart, unpack, unpackInParts } from './entry.ts';
import { limitsFrom } from './limits.ts';
import { leadsOutside, nameFrom } from './names.ts';
import { spliceZip, type Mended } from './splice.ts';

const folder = mkdtempSync(join(tmpdir(), 'inkwell-zip-'));
afterAll(() => rmSync(folder, { recursive: true }));

const LIMITS = limitsFrom({});
const at = (name: string) => join(folder, name);

const ENTRIES: Packed[] = [
  { name: 'mimetype', data: 'application/epub+zip', stored: true },
  { name: 'a.html', data: '<p>The lock keeper’s hut</p>'.repeat(40) },
  { name: 'img/lock.png', data: Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]), stored: true },
  { name: 'b.html', data: '<p>Moorings</p>'.repeat(40) },
  { name: 'z.txt', data: 'last' },
];

async function* these(mended: readonly Mended[]): AsyncGenerator<Mended> {
  for (const one of mended) yield await Promise.resolve(one);
}

/** What another reader finds in an archive. */
async function contents(file: string): Promise<Map<string, Buffer>> {
  const zip = await openPromise(file);
  const found = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) found.set(entry.fileName, await buffer(await zip.openReadStreamPromise(entry)));
  return found;
}

/** An entry as it lies in an archive: header and packed data. */
async function raw(file: string, entry: PackedEntry): Promise<string> {
  const handle = await open(file, 'r');
  const start = await dataStart(handle, entry);
  await handle.close();
  return readFileSync(file)
    .subarray(entry.at, start + entry.packed)
    .toString('hex');
}

describe.each([
  ['an ordinary archive', false],
  ['a zip64 archive', true],
])('%s with one page mended', (_name, zip64) => {
  const [before, after] = [at(`before-${zip64}.zip`), at(`after-${zip64}.zip`)];
  const fresh = Buffer.from('<p>Moorings, free</p>');

  beforeAll(async () => {
    await writeZip(
      before,
      ENTRIES.map((entry) => ({ ...entry, zip64 })),
      'Larkmoor Canal Trust',
    );
    const directory = await readDirectory(before, LIMITS);
    const entry = directory.entries.find(({ path }) => path === 'b.html')!;
    await spliceZip(directory, these([{ entry, bytes: fresh }]), after);
  });

  test('is read by another program, and holds what it held but for that page', async () => {
    const [old, now] = [await contents(before), await contents(after)];
    expect([...now.keys()]).toEqual(ENTRIES.map(({ name }) => name));
    for (const [name, data] of now) expect([name, data.equals(name === 'b.html' ? fresh : old.get(name)!)]).toEqual([name, true]);
  });

  test('has every other entry as it lay, and the mended one with its name, method and attributes (APPNOTE.TXT 6.3.10)', async () => {
    const [old, now] = [await readDirectory(before, LIMITS), await readDirectory(after, LIMITS)];
    for (const [nth, entry] of now.entries.entries()) {
      const was = old.entries[nth]!;
      expect([entry.path, entry.method]).toEqual([was.path, was.method]);
      if (entry.path !== 'b.html') expect(await raw(after, entry)).toBe(await raw(before, was));
    }
    expect(readFileSync(after).subarray(-20).toString()).toBe('Larkmoor Canal Trust');
  });

  test('with nothing mended is the same archive, byte for byte', async () => {
    await spliceZip(await readDirectory(before, LIMITS), these([]), at('same.zip'));
    expect(readFileSync(at('same.zip')).equals(readFileSync(before))).toBe(true);
  });
});

test('an entry may have another name, its packed bytes as they lay', async () => {
  await writeZip(at('named.zip'), ENTRIES, 'Larkmoor');
  const directory = await readDirectory(at('named.zip'), LIMITS);
  const [page, image] = [directory.entries[1]!, directory.entries[2]!];
  const renamed = { entry: image, bytes: null, name: 'img/heron-am-größten.png' };
  await spliceZip(directory, these([{ entry: page, bytes: Buffer.from('<p>A</p>') }, renamed]), at('renamed.zip'));
  const now = await contents(at('renamed.zip'));
  expect([...now.keys()]).toEqual(['mimetype', 'a.html', 'img/heron-am-größten.png', 'b.html', 'z.txt']);
  expect(now.get('img/heron-am-größten.png')!.equals(ENTRIES[2]!.data as Buffer)).toBe(true);
  expect(now.get('b.html')!.toString()).toBe(ENTRIES[3]!.data);
});

test('files can be added behind all others', async () => {
  await writeZip(at('small.zip'), ENTRIES, 'Larkmoor');
  const directory = await readDirectory(at('small.zip'), LIMITS);
  const added = [
    { path: 'img/löck.png', bytes: Buffer.from('new') },
    { path: 'c.html', bytes: Buffer.from('<p>C</p>') },
  ];
  const entry = directory.entries[1]!;
  await spliceZip(directory, these([{ entry, bytes: Buffer.from('<p>A</p>') }]), at('more.zip'), added);
  const now = await contents(at('more.zip'));
  expect([...now].map(([name, data]) => [name, data.toString()]).filter(([name]) => /a\.html|c\.html|löck/.test(name!))).toEqual([
    ['a.html', '<p>A</p>'],
    ['img/löck.png', 'new'],
    ['c.html', '<p>C</p>'],
  ]);
  expect((await readDirectory(at('more.zip'), LIMITS)).entries).toHaveLength(7);
});

test('an entry that is not what the directory says is told for itself', async () => {
  await writeZip(at('good.zip'), ENTRIES);
  const bytes = readFileSync(at('good.zip'));
  const { entries } = await readDirectory(at('good.zip'), LIMITS);
  const entry = entries.find(({ path }) => path === 'img/lock.png')!;
  bytes[bytes.indexOf('img/lock.png') + 12 + 2] = bytes[bytes.indexOf('img/lock.png') + 12 + 2]! ^ 0xff;
  writeFileSync(at('bad.zip'), bytes);
  const handle = await open(at('bad.zip'), 'r');
  const reading = (one: Partial<PackedEntry>, most = 1_000) => unpack(handle, { ...entry, ...one }, most);
  await expect(reading({})).rejects.toThrow('checksum');
  await expect(reading({ encrypted: true })).rejects.toThrow('encrypted');
  await expect(reading({ link: true })).rejects.toThrow('not followed');
  await expect(reading({ method: 99 })).rejects.toThrow('method');
  await expect(reading({ size: 2_000 })).rejects.toThrow('larger than');
  await expect(unpack(handle, { ...entries[1]!, size: 5 }, 10_000)).rejects.toThrow('more than the package says');
  const parts = async (one: Partial<PackedEntry>) => {
    const read: Buffer[] = [];
    for await (const part of unpackInParts(handle, { ...entries[1]!, ...one })) read.push(part);
    return Buffer.concat(read).toString();
  };
  expect(await parts({})).toBe(ENTRIES[1]!.data);
  await expect(parts({ crc32: 1 })).rejects.toThrow('checksum');
  await expect(parts({ size: 7 })).rejects.toThrow('more than the package says');
  await handle.close();
});

test.each<[string, () => Promise<void> | void, string]>([
  ['that is cut short', () => writeFileSync(at('x.zip'), readFileSync(at('good.zip')).subarray(0, 300)), 'damaged'],
  ['that is none', () => writeFileSync(at('x.zip'), 'PDF'), 'not a zip'],
  ['that unpacks to far too much', () => writeZip(at('x.zip'), [{ name: 'a.html', data: Buffer.alloc(12_000_000) }]), 'bomb'],
])('an archive %s is refused', async (_what, make, reason) => {
  await make();
  const refusal: unknown = await readDirectory(at('x.zip'), LIMITS).catch((error: unknown) => error);
  expect(refusal).toBeInstanceOf(RefusedZip);
  expect((refusal as RefusedZip).reason).toBe(reason);
});

test('an archive is refused for what is set: entries, bytes', async () => {
  await expect(readDirectory(at('good.zip'), { ...LIMITS, entries: 4 })).rejects.toThrow('5 entries');
  await expect(readDirectory(at('good.zip'), { ...LIMITS, unpacked: 100 })).rejects.toMatchObject({ reason: 'too large' });
  expect(limitsFrom({ INKWELL_MOST_ENTRIES: '7', INKWELL_MOST_RATIO: 'many' })).toMatchObject({ entries: 7, ratio: 100 });
});

test('an archive that would write outside its folder is refused, and one whose entries share bytes', async () => {
  const renamed = (from: string, to: string) =>
    writeFileSync(at('x.zip'), Buffer.from(readFileSync(at('good.zip')).toString('latin1').replaceAll(from, to), 'latin1'));
  renamed('z.txt', '../zt');
  await expect(readDirectory(at('x.zip'), LIMITS)).rejects.toMatchObject({ reason: 'outside' });
  const directory = await readDirectory(at('good.zip'), LIMITS);
  const bytes = readFileSync(at('good.zip'));
  bytes.writeUInt32LE(directory.entries[1]!.at, directory.entries[3]!.record.at + 42);
  writeFileSync(at('x.zip'), bytes);
  await expect(readDirectory(at('x.zip'), LIMITS)).rejects.toMatchObject({ reason: 'bomb' });
});

test.each([
  ['a/b.html', false],
  ['a/../b.html', false],
  ['a/../../b.html', true],
  ['/etc/motd', true],
  ['C:/boot.ini', true],
])('%s leads outside: %s', (path, outside) => expect(leadsOutside(path)).toBe(outside));

test('names are read as they were meant', () => {
  expect(nameFrom(0x800, Buffer.from('Schlüssel.html'), [])).toBe('Schlüssel.html');
  expect(nameFrom(0, Buffer.from('Schlüssel.html'), [])).toBe('Schlüssel.html');
  // CP437 has ü at 0x81 (APPNOTE.TXT, appendix D).
  expect(nameFrom(0, Buffer.from([0x53, 0x81, 0x2e, 0x68]), [])).toBe('Sü.h');
  expect(nameFrom(0, Buffer.from('.\\unit\\a\nb.html'.replace('.\\', './')), [])).toBe('unit/a\\x0ab.html');
});

test('of two entries of one name the later is read, leftovers of systems are not, and each is told', async () => {
  await writeZip(at('twice.zip'), [
    { name: 'a.html', data: 'first' },
    { name: '__MACOSX/._a.html', data: 'x' },
    { name: 'A.html', data: 'other' },
    { name: 'a.html', data: 'later, and longer' },
  ]);
  const source = await zipSource(at('twice.zip'), LIMITS);
  expect(source.files.map(({ path, size }) => [path, size])).toEqual([
    ['a.html', 17],
    ['A.html', 5],
  ]);
  expect(source.troubles).toEqual([{ path: 'a.html', what: expect.stringContaining('twice') as unknown }]);
});
