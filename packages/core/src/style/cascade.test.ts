import { parsePage, type Surroundings } from '../document/page.ts';
import { valueOf } from '../document/tree.ts';
import { generatedText, styleOf } from './cascade.ts';
import { hexOf } from './colour.ts';
import type { Style } from './computed.ts';
import { coloursIn } from './contrast.ts';
import { mediaHolds } from './media.ts';

/** Style of the element with id `x`. */
function styleIn(html: string, surroundings: Surroundings = {}): Style {
  const page = parsePage(html, { surroundings });
  return styleOf(
    page,
    page.elements.find((element) => valueOf(element, 'id') === 'x')!,
  );
}

const colourIn = (css: string, body = '<p id=x class="a b" data-k="one two">x</p>') =>
  hexOf(styleIn(`<!doctype html><style>${css}</style>${body}`).color);

const RED = '#ff0000';

// CSS Cascade 5 and Selectors 4; each also holds in Chromium by npm run check:browser.
test.each<[string, string, string]>([
  ['a later rule wins', 'p{color:blue} p{color:red}', RED],
  ['a class beats a tag', '.a{color:red} p{color:blue}', RED],
  ['an id beats classes', '#x{color:red} .a.b{color:blue}', RED],
  ['importance beats an id', 'p{color:red!important} #x{color:blue}', RED],
  [':where counts nothing', 'p{color:red} :where(#x){color:blue}', RED],
  [':is counts its strongest', ':is(#q, p){color:red} .a.b{color:blue}', RED],
  [':not counts its argument', ':not(#q){color:red} .a.b{color:blue}', RED],
  ['what is outside layers beats layers', '@layer t{#x{color:blue}} p{color:red}', RED],
  ['a later layer beats an earlier', '@layer s, t; @layer t{p{color:red}} @layer s{#x{color:blue}}', RED],
  ['importance turns layers round', '@layer s, t; @layer t{p{color:blue!important}} @layer s{p{color:red!important}}', RED],
  ['a rule for print is left out', 'p{color:red} @media print{p{color:blue}}', RED],
  ['a rule for wide screens', '@media screen and (min-width: 60em){p{color:red}}', RED],
  ['a bad selector drops its whole rule', 'p{color:red} p, p::::x, p:unknown(2){color:blue}', RED],
  ['a bad value leaves the earlier one', 'p{color:red; color:notacolour; color:rgb(1 2)}', RED],
  ['custom properties', ':root{--k:red} p{color:var(--k)}', RED],
  ['a fallback', 'p{color:var(--none, red)}', RED],
  ['a circle of custom properties is invalid', ':root{--a:var(--b);--b:var(--a);color:red} p{color:var(--a)}', RED],
  ['attribute by word', '[data-k~="two"]{color:red}', RED],
  ['attribute by beginning, any case', '[data-k^="ONE" i]{color:red}', RED],
  ['nested rules', 'body{ & p{color:red} }', RED],
  ['nested without &', 'body{ .a{color:red} }', RED],
  ['nested media', 'p{color:blue; @media (min-width:1px){color:red}}', RED],
  ['currentcolor and inherit', 'body{color:red} p{color:inherit}', RED],
  ['hover is not now', 'p{color:red} p:hover{color:blue}', RED],
  [':has', 'body:has(> p){color:red}', RED],
  ['child, not deeper', 'body > p{color:red} html > p{color:blue}', RED],
  ['@supports', '@supports (display:grid){p{color:red}} @supports not (display:grid){p{color:blue}}', RED],
])('%s', (_name, css, expected) => {
  expect(colourIn(css)).toBe(expected);
});

test.each<[string, string]>([
  ['li:nth-child(2)', 'b'],
  ['li:nth-child(odd)', 'ac'],
  ['li:nth-last-child(1)', 'c'],
  ['li:nth-of-type(3n+1)', 'a'],
  ['li + li', 'bc'],
  ['li:first-child ~ li', 'bc'],
  ['ul > :last-of-type', 'c'],
  ['li:nth-child(1 of .k)', 'b'],
  ['li:not(.k)', 'ac'],
  ['ul li:only-child', ''],
])('%s selects %s', (selector, expected) => {
  const page = parsePage(`<!doctype html><style>${selector}{color:red}</style><ul><li>a</li><li class=k>b</li><li>c</li></ul>`);
  const chosen = page.elements.filter((element) => element.tag === 'li' && hexOf(styleOf(page, element).color) === RED);
  expect(chosen.map((element) => (element.children[0] as { text: string }).text).join('')).toBe(expected);
});

// Sizes after CSS Fonts 4 and what browsers do with monospace text (checked in Chromium).
test.each<[string, string, number, number]>([
  ['a heading', '<h1 id=x>x</h1>', 32, 700],
  ['small in a heading', '<h2><small id=x>x</small></h2>', 20, 700],
  ['code is shrunk', '<p><code id=x>x</code></p>', 13, 400],
  ['code under a set size is not', '<p style="font-size:20px"><code id=x>x</code></p>', 20, 400],
  ['em of a set size', '<div style="font-size:20px"><p id=x style="font-size:1.5em">x</p></div>', 30, 400],
  ['rem', '<div style="font-size:20px"><p id=x style="font-size:1.5rem">x</p></div>', 24, 400],
  ['calc', '<p id=x style="font-size:calc(1em + 2px)">x</p>', 18, 400],
  ['points', '<p id=x style="font-size:15pt">x</p>', 20, 400],
  ['font shorthand', '<p id=x style="font:italic 600 12px/1.5 serif">x</p>', 12, 600],
  ['the font tag', '<font id=x size=5>x</font>', 24, 400],
  ['bolder twice', '<b><b id=x>x</b></b>', 16, 900],
  ['lighter', '<b style="font-weight:lighter" id=x>x</b>', 16, 100],
])('%s', (_name, body, size, weight) => {
  const style = styleIn(`<!doctype html>${body}`);
  expect([style.fontSize, style.fontWeight]).toEqual([size, weight]);
});

test('linked sheets of the collection apply, with what they import', () => {
  const sheets: Record<string, string> = { 'a.css': '@import "b.css"; p{font-weight:bold}', 'b.css': 'p{color:red}' };
  const style = styleIn('<!doctype html><link rel=stylesheet href=a.css><p id=x>x</p>', {
    sheetAt: (address) => (sheets[address] ? { text: sheets[address]!, address } : undefined),
  });
  expect([hexOf(style.color), style.fontWeight]).toEqual([RED, 700]);
});

test('display: none and visibility reach what is inside, and visible comes back', () => {
  const style = styleIn(
    '<!doctype html><style>.h{visibility:hidden} .v{visibility:visible}</style><div class=h><p class=v id=x>x</p></div>',
  );
  expect([style.visible, style.gone]).toEqual([true, false]);
  expect(styleIn('<div hidden><p id=x>x</p></div>').gone).toBe(true);
  expect(styleIn('<!doctype html><style>[hidden]{display:block}</style><div hidden id=x>x</div>').gone).toBe(false);
});

test.each<[string, string, string, string, boolean]>([
  ['an opaque ground', '<div style="background:#123456"><p id=x style="color:#fff">x</p></div>', '#ffffff', '#123456', true],
  ['a half clear ground over white', '<p id=x style="background:rgba(0,0,0,.5)">x</p>', '#000000', '#808080', true],
  ['opacity of the whole', '<p id=x style="opacity:.5">x</p>', '#808080', '#ffffff', true],
  [
    'opacity over a coloured ground',
    '<div style="background:#f00"><p id=x style="opacity:.5;background:#00f;color:#fff">x</p></div>',
    '#ff8080',
    '#800080',
    true,
  ],
  ['an image behind', '<div style="background-image:url(a.png)"><p id=x>x</p></div>', '#000000', '#ffffff', false],
  ['an image, covered', '<div style="background-image:url(a.png)"><p id=x style="background:#eee">x</p></div>', '#000000', '#eeeeee', true],
  ['a gradient', '<p id=x style="background:linear-gradient(red,blue)">x</p>', '#000000', '#ffffff', false],
  ['placed anywhere', '<div style="background:#eee"><p id=x style="position:absolute">x</p></div>', '#000000', '#eeeeee', false],
  ['bgcolor', '<table bgcolor=navy><tr><td id=x><font color=white>x</font></td></tr></table>', '#000000', '#000080', true],
])('colours as seen: %s', (_name, body, color, background, certain) => {
  const page = parsePage(`<!doctype html>${body}`);
  const found = coloursIn(
    page,
    page.elements.find((element) => valueOf(element, 'id') === 'x')!,
  );
  expect([hexOf(found.color), hexOf(found.background), found.certain]).toEqual([color, background, certain]);
});

test('generated text is known where it is text', () => {
  const page = parsePage(
    '<!doctype html><style>p::before{content:"Note: "} p::after{content:url(a.png)} a::after{content:" (" attr(href) ")"; }</style><p>x <a href=y>z</a></p>',
  );
  const tagged = (tag: string) =>
    generatedText(
      page,
      page.elements.find((element) => element.tag === tag)!,
    );
  expect(tagged('p')).toEqual({ before: 'Note: ' });
  expect(tagged('a')).toEqual({ after: ' (y)' });
});

test.each<[string, boolean]>([
  ['screen', true],
  ['print', false],
  ['not print', true],
  ['only screen and (max-width: 600px)', false],
  ['(min-width: 40em) and (max-width: 100em)', true],
  ['(width >= 1000px)', true],
  ['(400px <= width < 900px)', false],
  ['print, (min-width:1px)', true],
  ['(prefers-color-scheme: dark)', false],
  ['(prefers-reduced-motion)', false],
  ['not (min-width: 1px)', false],
  ['(orientation: landscape)', true],
  ['(nonsense: 1)', false],
  ['(hover: hover) and (pointer: fine)', true],
])('media %s holds: %s', (query, holds) => {
  expect(mediaHolds(query)).toBe(holds);
});

test('hostile sheets end: deep brackets, long chains, endless imports', () => {
  const deep = `<!doctype html><style>${'p{'.repeat(20_000)}</style><style>${'@import "x.css";'.repeat(50)}</style><style>${'a '.repeat(400)}b{color:red}</style><style>${':is('.repeat(3000)}</style><p id=x>x</p>${'<a>'.repeat(400)}`;
  const from = Date.now();
  styleIn(deep, { sheetAt: () => ({ text: '@import "x.css"; @import "y.css"; p{color:red}', address: 'x.css' }) });
  expect(Date.now() - from).toBeLessThan(4_000);
});
