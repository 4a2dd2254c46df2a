import { auditPage } from '../../../audit/run.ts';
import { parsePage } from '../../../document/page.ts';
import { isAfterPlan, oddNameOf } from '../../../semantics/fileNames.ts';

test.each([
  [['LOT-*'], 'lot-0042.png', true],
  [['lot-*-*.png'], 'lot-7-b.PNG', true],
  [['lot-*-*.png'], 'lot-7.png', false],
  [['lot-7.png'], 'lot-7.png', true],
  [['lot-7.png'], 'lot-77.png', false],
  [['*'], 'anything', true],
  [['a*a'], 'a', false],
  [['a**b'], 'ab', true],
  [['.*'], 'lot.png', false],
  [[], 'lot.png', false],
])('of the plans %j the name %s is one: %s', (patterns, file, is) => {
  expect(isAfterPlan(patterns, file)).toBe(is);
});

test('a file named after a plan of the house is no odd one', () => {
  const found = (fileNames: readonly string[]) =>
    auditPage(
      parsePage('<p><img src="0042.png" alt="A hive"></p>', { scope: 'fragment', surroundings: { vocabulary: { fileNames } } }),
    ).findings.filter(({ rule }) => rule === 'images/file-name');
  expect([found([]).length, found(['00*.png']).length]).toEqual([1, 0]);
  // Nor is it one in the register of images.
  expect([oddNameOf('images/0042.png'), oddNameOf('images/0042.png', ['00*.png'])]).toEqual(['wordless', null]);
});
