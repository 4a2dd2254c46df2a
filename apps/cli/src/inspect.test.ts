import { inkwellFolder } from './testing/inkwell.ts';

const { file, call, remove } = inkwellFolder();
afterAll(remove);

beforeAll(() => {
  file(
    'page.html',
    `<html lang="en"><head><title>Locks</title><link rel="stylesheet" href="house.css"></head><body><main>
<h1>Locks</h1><h2>Top lock</h2><h4>Depth</h4><h2>Tides</h2>
<p class="dim">See <a href="map.html" target="_blank">here</a> or <a href="fees.html">the fees</a>.</p>
<ul><li>One<ol><li>In</li></ol></li><li>Two</li></ul><p>- a</p><p>- b</p>
<table><caption>Depths</caption><tr><th scope="col">Lock</th><th scope="col">Depth</th></tr><tr><th scope="row">Top</th><td>2 m</td></tr></table>
<p><img src="img/top-lock.png" alt="The top lock"><img src="line.png" alt=""><img src="map.png"></p></main></body></html>`,
  );
  file('house.css', '.dim { color: #777 }');
});

function rows<T>(view: string, ...more: string[]): T[] {
  const { status, out } = call(['inspect', 'page.html', '--view', view, '--json', ...more]);
  expect(status).toBe(0);
  return JSON.parse(out) as T[];
}

const MAIN = '/html[1]/body[1]/main[1]';

test('outline: levels, texts and what is under what', () => {
  expect(rows('outline')).toEqual([
    { path: `${MAIN}/h1[1]`, level: 1, text: 'Locks', parent: null },
    { path: `${MAIN}/h2[1]`, level: 2, text: 'Top lock', parent: `${MAIN}/h1[1]` },
    { path: `${MAIN}/h4[1]`, level: 4, text: 'Depth', parent: `${MAIN}/h2[1]` },
    { path: `${MAIN}/h2[2]`, level: 2, text: 'Tides', parent: `${MAIN}/h1[1]` },
  ]);
});

test('names: what each exposed element is called', () => {
  const names = rows<{ path: string; role: string; name: string; nameFrom: string; level?: number }>('names');
  expect(names).toContainEqual(
    expect.objectContaining({ path: `${MAIN}/h4[1]`, role: 'heading', name: 'Depth', level: 4, nameFrom: 'content' }),
  );
  expect(names).toContainEqual(expect.objectContaining({ role: 'table', name: 'Depths', nameFrom: 'caption' }));
  expect(names).toContainEqual(expect.objectContaining({ role: 'img', name: 'The top lock', nameFrom: 'alt' }));
  expect(names.some(({ path }) => path === `${MAIN}/p[4]/img[2]`)).toBe(false);
});

// #777 on white has 4.48 to 1: the best-known near miss of 4.5 (relative luminance of WCAG 2.2).
test('colours: as the page’s own style sheet beside it makes them', () => {
  const dim = rows<{ path: string; text: string; color: string; background: string; ratio: number; required: number; certain: boolean }>(
    'colours',
  ).find(({ path }) => path === `${MAIN}/p[1]`)!;
  expect(dim).toMatchObject({ color: '#777777', background: '#ffffff', required: 4.5, certain: true });
  expect(dim.ratio).toBeCloseTo(4.48, 2);
});

test('colours: a sheet given with --css stands beneath the page’s own, as a platform’s does', () => {
  file('platform.css', '.dim { color: red } h2 { color: #767676 }');
  const colours = rows<{ path: string; color: string; ratio: number }>('colours', '--css', 'platform.css');
  expect(colours.find(({ path }) => path === `${MAIN}/p[1]`)!.color).toBe('#777777');
  expect(colours.find(({ path }) => path === `${MAIN}/h2[1]`)!.ratio).toBeCloseTo(4.54, 2);
});

test('tables: the grid and the headers of each cell', () => {
  const [table] = rows<{
    use: string;
    caption: string;
    rows: number;
    columns: number;
    cells: { path: string; row: number; column: number; header: boolean; headers: string[] }[];
  }>('tables');
  expect(table).toMatchObject({ use: 'data', caption: 'Depths', rows: 2, columns: 2 });
  const row = (n: number) => `${MAIN}/table[1]/tbody[1]/tr[${n}]`;
  expect(table!.cells.at(-1)).toMatchObject({ path: `${row(2)}/td[1]`, row: 1, column: 1, header: false });
  expect([...table!.cells.at(-1)!.headers].sort()).toEqual([`${row(1)}/th[2]`, `${row(2)}/th[1]`]);
});

test('lists: real ones with their depth, typed ones marked', () => {
  expect(rows('lists')).toEqual([
    { path: `${MAIN}/ul[1]`, kind: 'unordered', items: 2, depth: 0 },
    { path: `${MAIN}/ul[1]/li[1]/ol[1]`, kind: 'ordered', items: 1, depth: 1 },
    { path: `${MAIN}/p[2]`, kind: 'unordered', items: 2, depth: 0, typed: true },
  ]);
});

test('links: where they go, in which window, and the rules that speak of them', () => {
  const [first, second] = rows<{ problems: string[] }>('links');
  expect(first).toMatchObject({ name: 'here', href: 'map.html', target: '_blank', newWindow: true });
  expect(first!.problems).toEqual(expect.arrayContaining(['links/vague', 'links/new-window']));
  expect(second).toMatchObject({ name: 'the fees', href: 'fees.html', target: null, newWindow: false });
});

test('images: alternatives, decorative ones, and none', () => {
  expect(rows('images')).toEqual([
    {
      path: `${MAIN}/p[4]/img[1]`,
      src: 'img/top-lock.png',
      alt: 'The top lock',
      name: 'The top lock',
      decorative: false,
      fileName: 'top-lock.png',
    },
    { path: `${MAIN}/p[4]/img[2]`, src: 'line.png', alt: '', name: '', decorative: true, fileName: 'line.png' },
    { path: `${MAIN}/p[4]/img[3]`, src: 'map.png', alt: null, name: '', decorative: false, fileName: 'map.png' },
  ]);
});

test('spoken: in the order of the page', () => {
  const said = rows<{ says: string }>('spoken').map(({ says }) => says);
  expect(said.slice(0, 3)).toEqual(['Main part', 'Heading level 1, Locks', 'Heading level 2, Top lock']);
  expect(said).toContain('See link, here or link, the fees.');
  expect(said.at(-1)).toBe('End of main part');
});

test.each<[string, string[], string]>([
  ['outline', [], '1  Locks\n  2  Top lock\n      4  Depth\n  2  Tides\n'],
  [
    'lists',
    [],
    `unordered, 2 items  ${MAIN}/ul[1]\n  ordered, 1 items  ${MAIN}/ul[1]/li[1]/ol[1]\nunordered, 2 items, typed  ${MAIN}/p[2]\n`,
  ],
  ['images', [], 'top-lock.png  “The top lock”\nline.png  decorative\nmap.png  no alternative\n'],
])('%s without --json is for people', (view, more, text) => {
  expect(call(['inspect', 'page.html', '--view', view, ...more]).out).toBe(text);
});

test.each<[string, string[], RegExp]>([
  ['no view', ['inspect', 'page.html'], /inspect needs --view: outline, names/],
  ['a view that is none', ['inspect', 'page.html', '--view', 'smells'], /smells/],
  ['two files', ['inspect', 'page.html', 'page.html', '--view', 'links'], /one PATH/],
  ['a style sheet that is not there', ['inspect', 'page.html', '--view', 'colours', '--css', 'gone.css'], /gone\.css/],
])('%s is answered in one line', (_shows, args, reason) => {
  const { status, error } = call(args);
  expect(status).toBe(2);
  expect(error).toMatch(reason);
});
