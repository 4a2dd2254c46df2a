import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { limitsFrom, readPlace, zipSource } from '@inkwell/formats';
import { register, type RegisterChoice } from '../index.ts';
import { bench, INES } from '../testing/bench.ts';
import { packageBench } from '../testing/packages.ts';

const ground = bench();
const { services } = ground;
const { sent, arrived, out, folder } = packageBench(ground);
const CANAL = join(__dirname, '../../../../demo/pages/canal');
const BASE = 'https://larkmoor.example/';

interface Found {
  tag: string;
  text: string;
  value(name: string): string | undefined;
  /** The page it stands on. */
  page: string;
}

/** Every element of the pages of the package that went out, as parse5 reads them: nothing of the engine. */
async function elementsOut(slug: string): Promise<Found[]> {
  const file = join(folder, 'counted.zip');
  writeFileSync(file, (await out(slug)).bytes);
  const { files } = await zipSource(file, limitsFrom({}));
  const found: Found[] = [];
  for (const { path, place } of files.filter((one) => one.path.endsWith('.html')))
    walk(parse((await readPlace(place, 1e7)).toString('utf8')), path, found);
  return found;
}

function walk(node: Tree.ParentNode, page: string, into: Found[]): void {
  for (const child of node.childNodes) {
    if (!('tagName' in child)) continue;
    const value = (name: string) => child.attrs.find((one) => one.name === name)?.value;
    // Readers are told nothing of it.
    if (value('aria-hidden') === 'true') continue;
    into.push({ tag: child.tagName, text: textOf(child), value, page });
    walk(child, page, into);
  }
}

function textOf(node: Tree.ParentNode): string {
  const texts = node.childNodes.map((child) => ('value' in child ? child.value : 'childNodes' in child ? textOf(child) : ''));
  return texts.join('').replace(/\s+/g, ' ').trim();
}

const tally = (names: readonly string[]) => {
  const many = new Map<string, number>();
  for (const name of names) many.set(name, (many.get(name) ?? 0) + 1);
  return Object.fromEntries([...many].sort(([a], [b]) => (a < b ? -1 : 1)));
};

async function told(slug: string, choice: RegisterChoice, of: 'name' | 'place'): Promise<Record<string, number>> {
  const shown = await register(services, INES, { collection: slug, choice, skip: 0 });
  if (!shown.ok) throw new Error(shown.problem.what);
  expect(shown.value.total).toBe(shown.value.lines.length);
  return tally(shown.value.lines.flatMap((line) => Array.from({ length: line.uses }, () => line[of])));
}

test('registers hold what an independent count over the exported package finds', async () => {
  const entries = readdirSync(CANAL).map((name) => ({ name, data: readFileSync(join(CANAL, name)) }));
  const slug = await arrived(await sent('canal.zip', entries));
  const elements = await elementsOut(slug);
  const all = (...tags: string[]) => elements.filter(({ tag }) => tags.includes(tag));
  const path = ({ page, value }: Found) => {
    const address = new URL(value('src')!, `${BASE}${page}`).href;
    return address.startsWith(BASE) ? decodeURIComponent(address.slice(BASE.length)) : value('src')!;
  };
  expect(new Set(elements.map(({ page }) => page)).size).toBeGreaterThan(10);

  const images = all('img').filter(({ value }) => value('src') && !value('src')!.startsWith('data:'));
  const shown = await told(slug, { register: 'images', group: 'thing', order: 'name' }, 'name');
  const counted = tally(images.map(path));
  expect(Object.fromEntries(Object.keys(counted).map((name) => [name, shown[name] ?? 0]))).toEqual(counted);

  const headings = all('h1', 'h2', 'h3', 'h4', 'h5', 'h6')
    // Of no role to anybody.
    .filter(({ value }) => value('role') !== 'presentation')
    .map(({ text }) => text);
  expect(await told(slug, { register: 'headings', order: 'name' }, 'name')).toEqual(tally(headings));

  const links = all('a', 'area').filter(({ value }) => value('href') !== undefined);
  const destinations = await told(slug, { register: 'links', group: 'thing' }, 'place');
  expect(Object.values(destinations).reduce((sum, many) => sum + many, 0)).toBe(links.length);

  const frames = all('iframe', 'video', 'audio');
  expect(Object.values(await told(slug, { register: 'media' }, 'name')).reduce((sum, many) => sum + many, 0)).toBe(frames.length);
  const tables = await told(slug, { register: 'tables' }, 'name');
  expect(Object.values(tables).reduce((sum, many) => sum + many, 0)).toBe(all('table').length);
});
