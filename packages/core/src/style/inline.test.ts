import { parsePage } from '../document/page.ts';
import { inlineStyle } from './inline.ts';

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
