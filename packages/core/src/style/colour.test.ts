import { converter, parse as parseWithCulori, wcagContrast } from 'culori';
import { contrastRatio, fromOklchInGamut, hexOf, parseColour, toOklch, type Colour } from './colour.ts';
import { legacyColour } from './defaults.ts';

/** A seeded run of numbers from 0 to 1. */
function random(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const ratio = (one: string, two: string) => contrastRatio(parseColour(one)!, parseColour(two)!);

// WCAG 2.2, relative luminance and contrast ratio; the figures agree with culori below.
test.each([
  ['#000', '#fff', 21],
  ['#777777', '#fff', 4.48],
  ['#767676', 'white', 4.54],
  ['#595959', 'white', 7.0],
])('%s on %s: %d', (one, two, expected) => {
  expect(ratio(one, two)).toBeCloseTo(expected, 2);
});

test('10,000 seeded pairs have the ratio that culori gives', () => {
  const next = random(11);
  const channel = () => Math.floor(next() * 256);
  for (let i = 0; i < 10_000; i++) {
    const [one, two] = [0, 1].map(() => hexOf({ r: channel(), g: channel(), b: channel(), a: 1 })) as [string, string];
    // culori compares with the older 0.03928; no 8-bit channel lies between the two thresholds.
    expect(Math.abs(ratio(one, two) - wcagContrast(one, two))).toBeLessThan(1e-9);
  }
});

const toRgb = converter('rgb');

test.each([
  'rebeccapurple',
  '#abc',
  '#abcd',
  '#a1b2c3',
  '#a1b2c380',
  'rgb(1 2 3)',
  'rgb(10%, 20%, 30%)',
  'rgba(1,2,3,.5)',
  'rgb(1 2 3 / 50%)',
  'hsl(120 100% 25%)',
  'hsl(210deg, 50%, 40%)',
  'hsla(0.5turn 30% 60% / .2)',
  'hwb(194 0% 20%)',
  'hwb(10 60% 60%)',
  'oklch(60% 0.1 200)',
  'oklch(0.7 0.05 30deg / 0.4)',
  'oklab(0.5 0.05 -0.1)',
  'lab(50 20 -30)',
  'lch(52.2% 40 50)',
  'color(srgb 0.5 0.2 0.1)',
  'color(display-p3 0.5 0.4 0.3)',
  'color(xyz 0.2 0.2 0.2)',
  'color(srgb-linear .1 .2 .3)',
])('%s is the colour that culori reads', (written) => {
  const theirs = toRgb(parseWithCulori(written))!;
  const ours = parseColour(written)!;
  for (const [mine, other] of [
    [ours.r, theirs.r],
    [ours.g, theirs.g],
    [ours.b, theirs.b],
  ] as const)
    expect(Math.abs(mine - 255 * other)).toBeLessThan(0.15);
  expect(ours.a).toBeCloseTo(theirs.alpha ?? 1, 2);
});

test.each(['#ab', 'rgb(1 2)', 'notacolour', 'hsl(x y z)', 'url(a.png)', '', 'rgb(from red r g b)'])(
  '%j is no colour we can read',
  (written) => {
    expect(parseColour(written)).toBeNull();
  },
);

test('color-mix in srgb and oklab', () => {
  expect(hexOf(parseColour('color-mix(in srgb, red, blue)')!)).toBe('#800080');
  expect(hexOf(parseColour('color-mix(in srgb, white 25%, black)')!)).toBe('#404040');
  expect(parseColour('color-mix(in lch, red, blue)')).toBeNull();
});

test('there and back through OKLCH', () => {
  const next = random(5);
  for (let i = 0; i < 500; i++) {
    const colour: Colour = { r: Math.floor(next() * 256), g: Math.floor(next() * 256), b: Math.floor(next() * 256), a: 1 };
    expect(hexOf(fromOklchInGamut(toOklch(colour)))).toBe(hexOf(colour));
  }
});

// HTML Living Standard, "rules for parsing a legacy colour value".
test.each<[string, string | null]>([
  ['#fff', '#fff'],
  ['ffffff', '#ffffff'],
  ['red', 'red'],
  ['f0', '#0f0000'],
  ['', null],
  ['123456789abc', '#12569a'],
])('bgcolor=%j', (written, expected) => {
  expect(legacyColour(written)).toBe(expected);
});
