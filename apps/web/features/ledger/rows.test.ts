import type { LedgerRow } from '@inkwell/review';
import { rowsOf } from './rows';

const page = (slug: string, part: string) => ({ slug, part }) as LedgerRow;
const parts = [
  { part: 'Weeks', pages: 2, open: 7, held: 1 },
  { part: 'Talk', pages: 1, open: 0, held: 0 },
];

test('pages stand under the parts they lie in, each told once with its sums', () => {
  const rows = rowsOf([page('a', 'Weeks'), page('b', 'Weeks'), page('c', 'Talk'), page('d', '')], parts);
  expect(rows.map((row) => ('part' in row ? [row.part, row.sum?.pages] : row.page.slug))).toEqual([
    ['Weeks', 2],
    'a',
    'b',
    ['Talk', 1],
    'c',
    ['In no part', undefined],
    'd',
  ]);
});

test('where there are no parts, and in another order, pages stand alone', () => {
  expect(rowsOf([page('a', ''), page('b', '')], [])).toHaveLength(2);
});
