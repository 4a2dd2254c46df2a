import { contrastRatio, hexOf, parseColour, toOklch } from './colour.ts';
import { nearestPassing } from './nearestPassing.ts';

const nearest = (color: string, ground: string, required: number, way?: 'darker' | 'lighter') =>
  nearestPassing(parseColour(color)!, parseColour(ground)!, required, way);

test('5,000 seeded pairs: it passes, and a shade less would not', () => {
  let state = 17;
  const next = () => ((state = (Math.imul(state, 1664525) + 1013904223) >>> 0) >>> 8) & 255;
  for (let i = 0; i < 5_000; i++) {
    const [color, ground] = [
      { r: next(), g: next(), b: next(), a: 1 },
      { r: next(), g: next(), b: next(), a: 1 },
    ];
    const found = nearestPassing(color, ground, 4.5)!;
    expect(contrastRatio(found, ground)).toBeGreaterThanOrEqual(4.5);
    // Never far past the bound, unless it passed from the start.
    if (contrastRatio(color, ground) < 4.5) expect(contrastRatio(found, ground)).toBeLessThan(4.8);
    else expect(hexOf(found)).toBe(hexOf(color));
  }
});

test('hue stays', () => {
  const [before, after] = [toOklch(parseColour('#c86400')!), toOklch(nearest('#c86400', '#ffffff', 4.5)!)];
  expect(Math.abs(before.h - after.h)).toBeLessThan(3);
  expect(after.l).toBeLessThan(before.l);
});

test('a way may be asked for, and may have no answer', () => {
  expect(hexOf(nearest('#777777', '#ffffff', 4.5, 'darker')!)).toBe('#767676');
  expect(nearest('#777777', '#ffffff', 4.5, 'lighter')).toBeNull();
});
