import { parsePage, type Page } from '../document/page.ts';
import { elementAt, pathOf } from '../document/paths.ts';
import type { ElementNode } from '../document/tree.ts';
import { markersOf } from './markers.ts';
import { nameOf } from './names.ts';
import { outline } from './outline.ts';
import { controlAround, roleOf } from './roles.ts';
import { gridOf, tableUse } from './tables.ts';
import { typedLists } from './typedLists.ts';
import { isExposed, isSeen } from './visibility.ts';

function first(html: string, tag: string): { page: Page; element: ElementNode } {
  const page = parsePage(html);
  return { page, element: page.elements.find((element) => element.tag === tag)! };
}

// Written after the steps of accname 1.2, "text alternative computation", and HTML-AAM 4.1 (from memory).
test.each<[string, string, string, string]>([
  [
    'a reference before a label',
    '<p id="a">Spring</p><p id="b">work</p><a href="x" aria-labelledby="a b" aria-label="no">no</a>',
    'a',
    'Spring work',
  ],
  [
    'a hidden reference counts with what it hides',
    '<p id="a" hidden>Spring <b>work</b></p><a href="x" aria-labelledby="a"></a>',
    'a',
    'Spring work',
  ],
  ['references are followed once', '<a id="a" href="x" aria-labelledby="b">A</a><span id="b" aria-labelledby="a">B</span>', 'a', 'B'],
  ['a reference to nothing is passed over', '<a href="x" aria-labelledby="gone">Spring</a>', 'a', 'Spring'],
  ['aria-label before content', '<a href="x" aria-label="Spring work">no</a>', 'a', 'Spring work'],
  ['a blank aria-label is none', '<a href="x" aria-label=" ">Spring</a>', 'a', 'Spring'],
  ['text and image together', '<a href="x">Spring <img src="a" alt="work"></a>', 'a', 'Spring work'],
  [
    'hidden and aria-hidden parts left out',
    '<a href="x">Spring<span hidden> no</span><span aria-hidden="true"> no</span><span style="display:none">no</span></a>',
    'a',
    'Spring',
  ],
  ['a block inside is a word of its own', '<a href="x"><div>Spring</div><div>work</div></a>', 'a', 'Spring work'],
  ['a title when there is nothing else', '<a href="x" title="Spring work"></a>', 'a', 'Spring work'],
  ['the alternative of an image', '<img src="a" alt=" Spring  work ">', 'img', 'Spring work'],
  ['an empty alternative is an answer', '<img src="a" alt="">', 'img', ''],
  ['the caption of a table', '<table><caption>Walks</caption><tr><td>x</table>', 'table', 'Walks'],
  ['the title of a drawing', '<svg role="img"><title>Gate</title></svg>', 'svg', 'Gate'],
  ['a label around its field', '<label>Your name <input></label>', 'input', 'Your name'],
  ['a label that points to its field', '<label for="f">Your name</label><input id="f">', 'input', 'Your name'],
  [
    'a field inside another’s label counts with its value',
    '<label for="f">Remind me in <select><option>1<option selected>3</select> days</label><input id="f" type="checkbox">',
    'input',
    'Remind me in 3 days',
  ],
  ['the value of a button', '<input type="submit" value="Send">', 'input', 'Send'],
  ['a paragraph has no name from its content', '<p>Text</p>', 'p', ''],
])('the name follows %s', (_shows, html, tag, name) => {
  const { page, element } = first(html, tag);
  expect(nameOf(page, element).name).toBe(name);
});

test.each<[string, string, string | null]>([
  ['<a href="x">y</a>', 'a', 'link'],
  ['<a>y</a>', 'a', 'generic'],
  ['<h3>y</h3>', 'h3', 'heading'],
  ['<img alt="">', 'img', 'presentation'],
  ['<img>', 'img', 'img'],
  ['<div role="nonsense heading">y</div>', 'div', 'heading'],
  ['<ul role="presentation"><li>y</ul>', 'ul', 'presentation'],
  // WAI-ARIA 1.2, 4.6: what can be focused keeps its role.
  ['<a href="x" role="presentation">y</a>', 'a', 'link'],
  ['<h2 role="none" aria-label="y">y</h2>', 'h2', 'heading'],
])('the role in %s', (html, tag, role) => {
  expect(roleOf(first(html, tag).element)).toBe(role);
});

test('what is not shown, and what is not told', () => {
  const page = parsePage(
    '<p id="a" hidden>x</p><p id="b" style="visibility:hidden">x<span id="c" style="visibility: visible">y</span></p><p id="d" aria-hidden="true"><b id="e">x</b></p><p id="f" inert>x</p><details><p id="g">x</p></details><p id="h" hidden style="display:block">x</p>',
  );
  const by = (id: string) =>
    page.elements.find((element) => element.attributes.some((attribute) => attribute.name === 'id' && attribute.value === id))!;
  expect([...'abcdefgh'].map((id) => [id, isSeen(page, by(id)), isExposed(page, by(id))])).toEqual([
    ['a', false, false],
    ['b', false, false],
    ['c', true, true],
    ['d', true, false],
    ['e', true, false],
    ['f', true, false],
    ['g', true, true],
    ['h', true, true],
  ]);
});

test('the outline says what each heading is under', () => {
  const page = parsePage('<h1>A</h1><h3>B</h3><h2>C</h2><div role="heading" aria-level="3">D</div><h2 hidden>E</h2><h2>F</h2>');
  expect(outline(page).map(({ name, level, under }) => [name, level, under?.name ?? null])).toEqual([
    ['A', 1, null],
    ['B', 3, 'A'],
    ['C', 2, 'A'],
    ['D', 3, 'C'],
    ['F', 2, 'A'],
  ]);
});

test('the link or button around an element, at any depth', () => {
  const page = parsePage('<a href="x"><b><i id="in">y</i></b></a><b>z</b>');
  const [inner, outer] = [page.elements.find((element) => element.tag === 'i')!, page.elements.findLast((element) => element.tag === 'b')!];
  expect(controlAround(page, inner)?.tag).toBe('a');
  expect(controlAround(page, outer)).toBeNull();
});

describe('the table model (HTML Living Standard, "forming a table"; spans cut off at their group, as browsers do)', () => {
  const cells = (html: string) =>
    gridOf(first(html, 'table').element).cells.map((cell) => [cell.row, cell.column, cell.rowSpan, cell.colSpan]);

  test('places cells around the spans above them', () => {
    expect(cells('<table><tr><td rowspan=2>a<td colspan=2>b<tr><td>c<td>d</table>')).toEqual([
      [0, 0, 2, 1],
      [0, 1, 1, 2],
      [1, 1, 1, 1],
      [1, 2, 1, 1],
    ]);
  });

  test('ends a row span with its row group, also for rowspan=0', () => {
    expect(cells('<table><thead><tr><td rowspan=5>a</thead><tbody><tr><td rowspan=0>b<td>c<tr><td>d</table>')).toEqual([
      [0, 0, 1, 1],
      [1, 0, 2, 1],
      [1, 1, 1, 1],
      [2, 1, 1, 1],
    ]);
  });

  test('puts a foot last, and takes senseless spans for 1', () => {
    expect(cells('<table><tfoot><tr><td>z</tfoot><tbody><tr><td colspan=-3>a<td rowspan=x>b</table>')).toEqual([
      [0, 0, 1, 1],
      [0, 1, 1, 1],
      [1, 0, 1, 1],
    ]);
  });

  test('holds the largest span at 1,000 columns', () => {
    expect(cells('<table><tr><td colspan=5000>a</table>')).toEqual([[0, 0, 1, 1000]]);
  });
});

test.each<[string, string]>([
  ['<table role="presentation"><tr><th>a</table>', 'layout'],
  ['<table><tr><th>a<tr><td>1</table>', 'data'],
  ['<table><tr><td>a</table>', 'layout'],
  ['<table border=1><tr><td>a<td>1<tr><td>b<td>2<tr><td>c<td>3</table>', 'data'],
  ['<table><tr><td>Floor<td>Box<tr><td>Roof<td>Stand</table>', 'unsure'],
])('what %s is for', (html, use) => {
  const { page, element } = first(html, 'table');
  expect(tableUse(page, element)).toBe(use);
});

test.each<[string, readonly string[]]>([
  ['1. One', ['number']],
  ['(b) Two', ['letter']],
  ['i) One', ['letter', 'roman']],
  ['IV. Four', ['roman']],
  ['- dash', ['bullet']],
  ['-dash', []],
  ['•dot', ['bullet']],
  ['o one', []],
  ['o\u00a0\u00a0one', ['bullet']],
  ['1.50 a jar', []],
  ['1998 was wet', []],
  ['✓ done', ['bullet']],
  ['a word', []],
  ['', []],
])('the markers of “%s”', (line, kinds) => {
  expect(markersOf(line).map((marker) => marker.kind)).toEqual(kinds);
});

test('a path names an element, and finds it again', () => {
  const page = parsePage('<p>a</p><div><p>b</p><p>c <b>d</b></p></div>');
  for (const element of page.elements) expect(elementAt(page, pathOf(page, element))).toBe(element);
  expect(elementAt(page, '/html[1]/body[1]/p[9]')).toBeNull();
  expect(elementAt(page, 'nonsense')).toBeNull();
});

test('a typed list is seen behind any white space its lines begin with', () => {
  const indent = `\n${' '.repeat(90)}`;
  const [list] = typedLists(parsePage(`<div><p>${indent}<span>- One</span></p><p>${indent}<span>- Two</span></p></div>`));
  expect(list?.items).toHaveLength(2);
});
