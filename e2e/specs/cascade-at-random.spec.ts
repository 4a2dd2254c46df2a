import { expect, test, type Page as Tab } from '../support/test';
import fc from 'fast-check';
import { inspectColours, parsePage } from '@inkwell/core';

/**
 * The engine's selectors, specificities, media queries and colours beside Chromium's own, on pages and sheets made at random from a
 * seed. Each sheet paints what it reaches red; which texts are red must be the same in both.
 */

const RED = '#ff0000';

/** Paths of the texts that the engine sees in red. */
function redHere(html: string): string[] {
  return [
    ...new Set(
      inspectColours(parsePage(html))
        .filter((row) => row.color === RED)
        .map((row) => row.path),
    ),
  ].sort();
}

/** For each sheet in turn, the paths of the elements with text of their own that Chromium computes as red. */
async function redInChromium(tab: Tab, body: string, sheets: string[]): Promise<string[][]> {
  await tab.setContent(`<!doctype html><style></style>${body}`);
  return tab.evaluate((all) => {
    const style = document.querySelector('style')!;
    const elements = [...document.body.querySelectorAll('*')].filter((element) =>
      [...element.childNodes].some((node) => node.nodeType === 3 && node.nodeValue!.trim() !== ''),
    );
    const paths = elements.map((element) => {
      const steps: string[] = [];
      for (let here: Element | null = element; here; here = here.parentElement) {
        const name = here.localName;
        steps.unshift(
          `/${name}[${[...(here.parentElement?.children ?? [here])].filter((other) => other.localName === name).indexOf(here) + 1}]`,
        );
      }
      return steps.join('');
    });
    return all.map((sheet) => {
      style.textContent = sheet;
      return paths.filter((_path, i) => getComputedStyle(elements[i]!).color === 'rgb(255, 0, 0)').sort();
    });
  }, sheets);
}

const tag = fc.constantFrom('p', 'b', 'div', 'ul', 'li', 'section', 'i');
const name = fc.constantFrom('a', 'b', 'c', 'wide');
const attributes = fc
  .tuple(
    fc.option(fc.array(name, { minLength: 1, maxLength: 3 })),
    fc.option(fc.constantFrom('one', 'two', 'three')),
    fc.option(fc.constantFrom('en', 'en-GB', 'de')),
  )
  .map(
    ([classes, data, lang]) =>
      `${classes ? ` class="${classes.join(' ')}"` : ''}${data ? ` data-k="${data} k"` : ''}${lang ? ` lang="${lang}"` : ''}`,
  );

interface Node {
  tag: string;
  attributes: string;
  children: readonly Node[];
}
const { node } = fc.letrec<{ node: Node }>((tie) => ({
  node: fc.record({
    tag,
    attributes,
    children: fc.oneof({ maxDepth: 3 }, fc.constant<Node[]>([]), fc.array(tie('node'), { minLength: 1, maxLength: 4 })),
  }),
}));

/** A block inside a paragraph would close it; what may stand in a p or an inline tag is inline. */
function markup({ tag: name, attributes: written, children }: Node, inline: boolean): string {
  const own = inline && !['b', 'i'].includes(name) ? 'b' : name;
  return `<${own}${written}>t${children.map((child) => markup(child, inline || ['p', 'b', 'i'].includes(own))).join('')}</${own}>`;
}

const bodies = fc
  .array(node, { minLength: 2, maxLength: 5 })
  .map((nodes) => `<main id="top">${nodes.map((one) => markup(one, false)).join('')}</main>`);

const simple = fc.oneof(
  tag,
  name.map((one) => `.${one}`),
  fc.constant('#top'),
  fc.constant('*'),
  fc.constantFrom(
    '[data-k]',
    '[data-k~="k"]',
    '[data-k^="t"]',
    '[data-k$="k"]',
    '[data-k*="o"]',
    '[lang|="en"]',
    '[class="a"]',
    '[DATA-K="ONE K" i]',
  ),
  fc.constantFrom(
    ':first-child',
    ':last-child',
    ':only-child',
    ':first-of-type',
    ':last-of-type',
    ':only-of-type',
    ':empty',
    ':root',
    ':hover',
    ':checked',
    ':lang(en)',
    ':lang(de)',
  ),
  fc.constantFrom(
    ':nth-child(odd)',
    ':nth-child(2n+1)',
    ':nth-child(-n+2)',
    ':nth-last-child(2)',
    ':nth-of-type(2n)',
    ':nth-last-of-type(1)',
    ':nth-child(1 of .a)',
    ':nth-child(n+3)',
  ),
);
/** A tag can only stand first. */
const compound = fc
  .tuple(
    simple,
    fc.array(
      simple.filter((one) => /^[.#[:]/.test(one)),
      { maxLength: 2 },
    ),
  )
  .map(([first, rest]) => first + rest.join(''));
const chain = fc
  .tuple(compound, fc.array(fc.tuple(fc.constantFrom(' ', ' > ', ' + ', ' ~ '), compound), { maxLength: 2 }))
  .map(([first, rest]) => first + rest.map(([between, next]) => between + next).join(''));
const selector = fc.oneof(
  { weight: 4, arbitrary: chain },
  { weight: 1, arbitrary: fc.tuple(compound, chain).map(([outer, inner]) => `${outer}:not(${inner})`) },
  { weight: 1, arbitrary: fc.tuple(chain, chain, compound).map(([one, two, last]) => `:is(${one}, ${two}) ${last}`) },
  {
    weight: 1,
    arbitrary: fc
      .tuple(compound, fc.constantFrom('', '> ', '+ ', '~ '), compound)
      .map(([outer, between, inner]) => `${outer}:has(${between}${inner})`),
  },
  { weight: 1, arbitrary: fc.tuple(chain, chain).map(([one, two]) => `:where(${one}), ${two}`) },
  // What nobody understands drops a whole rule, but only itself where a list forgives.
  {
    weight: 1,
    arbitrary: fc
      .tuple(chain, fc.constantFrom(':is(:none-such, ', ':where(::none, ', ':not(:none-such, ', '> p, :is('))
      .map(([one, open]) => `${open}${one})`),
  },
);

test('which elements a selector reaches', async ({ page: tab }) => {
  let reached = 0;
  for (const [i, body] of fc.sample(bodies, { seed: 5, numRuns: 12 }).entries()) {
    const sheets = fc.sample(selector, { seed: 100 + i, numRuns: 60 }).map((one) => `* { color: black } ${one} { color: red }`);
    const theirs = await redInChromium(tab, body, sheets);
    for (const [at, sheet] of sheets.entries()) {
      expect({ sheet, red: redHere(`<!doctype html><style>${sheet}</style>${body}`) }).toEqual({ sheet, red: theirs[at] });
      reached += theirs[at]!.length;
    }
  }
  expect(reached).toBeGreaterThan(500);
});

test('which of several rules wins', async ({ page: tab }) => {
  const important = fc.constantFrom('', '', '', ' !important');
  const rule = fc
    .tuple(
      selector,
      fc.constantFrom('red', 'blue', 'red'),
      important,
      fc.constantFrom('', '', '@layer low', '@layer high', '@media screen', '@media print', '@supports (display: grid)'),
    )
    .map(([one, colour, weight, around]) => {
      const text = `${one} { color: ${colour}${weight} }`;
      return around ? `${around} { ${text} }` : text;
    });
  const sheet = fc.array(rule, { minLength: 2, maxLength: 7 }).map((rules) => `@layer low, high; ${rules.join('\n')}`);
  let reached = 0;
  for (const [i, body] of fc.sample(bodies, { seed: 6, numRuns: 12 }).entries()) {
    const sheets = fc.sample(sheet, { seed: 200 + i, numRuns: 40 });
    const theirs = await redInChromium(tab, body, sheets);
    for (const [at, text] of sheets.entries()) {
      expect({ text, red: redHere(`<!doctype html><style>${text}</style>${body}`) }).toEqual({ text, red: theirs[at] });
      reached += theirs[at]!.length;
    }
  }
  expect(reached).toBeGreaterThan(500);
});

test('which media queries hold on a desktop window', async ({ page: tab }) => {
  const length = fc
    .tuple(fc.integer({ min: 1, max: 2400 }), fc.constantFrom('px', 'px', 'em', 'rem'))
    .map(([value, unit]) => (unit === 'px' ? `${value}px` : `${Math.round(value / 16)}${unit}`));
  const feature = fc.oneof(
    fc
      .tuple(fc.constantFrom('min-width', 'max-width', 'width', 'min-height', 'max-height'), length)
      .map(([one, value]) => `(${one}: ${value})`),
    fc
      .tuple(fc.constantFrom('width', 'height'), fc.constantFrom('<', '<=', '>', '>=', '='), length)
      .map(([one, sign, value]) => `(${one} ${sign} ${value})`),
    fc
      .tuple(length, fc.constantFrom('<', '<='), fc.constantFrom('width', 'height'), length)
      .map(([low, sign, one, high]) => `(${low} ${sign} ${one} ${sign} ${high})`),
    fc.constantFrom(
      '(orientation: landscape)',
      '(orientation: portrait)',
      '(prefers-color-scheme: dark)',
      '(prefers-color-scheme: light)',
      '(prefers-reduced-motion: reduce)',
      '(color)',
      '(monochrome)',
      '(min-resolution: 1dppx)',
      '(min-aspect-ratio: 1/1)',
      '(unknown: 1)',
    ),
  );
  const query = fc.oneof(
    feature,
    fc
      .tuple(fc.constantFrom('screen', 'print', 'all', 'only screen', 'not print', 'not screen'), feature)
      .map(([type, one]) => `${type} and ${one}`),
    fc.tuple(feature, fc.constantFrom('and', 'or'), feature).map(([one, word, two]) => `${one} ${word} ${two}`),
    fc.tuple(feature, feature).map(([one, two]) => `${one}, ${two}`),
    feature.map((one) => `not ${one}`),
    fc.tuple(feature, feature, feature).map(([one, two, three]) => `(${one} or ${two}) and ${three}`),
  );
  const queries = fc.sample(query, { seed: 9, numRuns: 400 });
  await tab.setContent('<!doctype html><p>x</p>');
  const theirs = await tab.evaluate((all) => all.map((one) => matchMedia(one).matches), queries);
  const ours = queries.map((one) => redHere(`<!doctype html><style>@media ${one} { p { color: red } }</style><p>x</p>`).length === 1);
  expect(queries.filter((_query, i) => ours[i] !== theirs[i])).toEqual([]);
  expect(theirs.filter(Boolean).length).toBeGreaterThan(80);
});

test('which colour a written one is', async ({ page: tab }) => {
  const byte = fc.integer({ min: 0, max: 255 });
  const part = fc.integer({ min: 0, max: 100 });
  const turn = fc.integer({ min: -400, max: 400 });
  const colour = fc.oneof(
    fc.tuple(byte, byte, byte).map(([r, g, b]) => `rgb(${r}, ${g}, ${b})`),
    fc.tuple(part, part, part).map(([r, g, b]) => `rgb(${r}% ${g}% ${b}%)`),
    fc.tuple(turn, part, part).map(([h, s, l]) => `hsl(${h} ${s}% ${l}%)`),
    fc.tuple(turn, part, part).map(([h, s, l]) => `hsla(${h}deg, ${s}%, ${l}%, 1)`),
    fc.tuple(turn, part, part).map(([h, w, b]) => `hwb(${h} ${w}% ${b}%)`),
    fc.tuple(byte, byte, byte).map((all) => `#${all.map((one) => one.toString(16).padStart(2, '0')).join('')}`),
    fc.tuple(byte, byte, byte).map((all) => `#${all.map((one) => (one % 16).toString(16).toUpperCase()).join('')}`),
    fc.constantFrom(
      'rebeccapurple',
      'DarkSlateGray',
      'teal',
      'papayawhip',
      'LIMEGREEN',
      'transparent',
      'not-a-colour',
      'rgb(1 2)',
      '#12345',
    ),
  );
  const colours = fc.sample(colour, { seed: 12, numRuns: 500 });
  await tab.setContent('<!doctype html><p>x</p>');
  const theirs = await tab.evaluate(
    (all) =>
      all.map((one) => {
        const p = document.querySelector('p')!;
        p.style.color = '';
        p.style.color = one;
        const [r, g, b, a = '1'] = getComputedStyle(p).color.match(/[\d.]+/g)!;
        return a === '1' ? `#${[r, g, b].map((channel) => Math.round(Number(channel)).toString(16).padStart(2, '0')).join('')}` : 'clear';
      }),
    colours,
  );
  for (const [i, one] of colours.entries()) {
    const row = inspectColours(parsePage(`<!doctype html><p style="color:${one}">x</p>`))[0]!;
    expect({ one, color: theirs[i] === 'clear' ? 'clear' : row.color }).toEqual({ one, color: theirs[i] });
  }
});
