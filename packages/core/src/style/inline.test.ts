import { parsePage } from '../document/page.ts';
import { inlineBold, inlineFontSize, inlineStyle } from './inline.ts';

function styleOf(written: string) {
  return inlineStyle(parsePage(`<p style='${written}'>x</p>`).elements.find((element) => element.tag === 'p')!);
}

test('the last declaration wins, unless an earlier one is important', () => {
  expect(styleOf('color: red; COLOR: Blue').get('color')).toBe('blue');
  expect(styleOf('color: red !important; color: blue').get('color')).toBe('red');
});

test('bad CSS is skipped, and the rest is read', () => {
  expect([...styleOf('color: ; : ; font-weight: 700; }{ ; display: none')]).toEqual(expect.arrayContaining([['font-weight', '700']]));
  expect(styleOf('').size).toBe(0);
  expect(styleOf('x'.repeat(30_000)).size).toBe(0);
});

test.each<[string, boolean | undefined]>([
  ['font-weight: bold', true], ['font-weight: 600', true], ['font-weight: 500', false], ['font-weight: normal', false], ['font: bold 12px serif', true], ['color: red', undefined],
])('%s is bold: %s', (written, bold) => {
  expect(inlineBold(styleOf(written))).toBe(bold);
});

// Absolute units after CSS Values and Units 4; keywords at the 16 px default after CSS Fonts 4 (from memory).
test.each<[string, number | undefined]>([
  ['font-size: 20px', 20], ['font-size: 15pt', 20], ['font-size: 1.5em', 30], ['font-size: 2rem', 32], ['font-size: 150%', 30], ['font-size: x-large', 24], ['font-size: larger', 24],
  ['font-size: 1in', 96], ['font-size: calc(1px + 2px)', undefined], ['color: red', undefined],
])('%s in text of 20 px: %s', (written, size) => {
  const found = inlineFontSize(styleOf(written), 20);
  if (size === undefined) expect(found).toBeUndefined();
  else expect(found).toBeCloseTo(size, 6);
});
