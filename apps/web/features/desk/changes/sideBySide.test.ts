import { sideBySide, type DiffRow, type SideLine } from './sideBySide';

const said = (side: SideLine | null) =>
  side && `${side.number} ${side.pieces.map(({ text, marked }) => (marked ? `[${text}]` : text)).join('')}`;
const shown = (rows: DiffRow[]) => rows.map((row) => ('folded' in row ? row.folded : [said(row.left), said(row.right)]));

test('changed words are marked in their lines, on the side where they stand', () => {
  expect(shown(sideBySide('<p>One</p>\n<p>See here now</p>\n', '<p>One</p>\n<p>See the hive now</p>\n'))).toEqual([
    ['1 <p>One</p>', '1 <p>One</p>'],
    ['2 <p>See [here] now</p>', '2 <p>See [the] [hive ]now</p>'],
  ]);
});

test('lines only one side has stand against nothing, and numbers go on rightly', () => {
  expect(shown(sideBySide('a\nb\nc\n', 'a\nc\nd\n'))).toEqual([
    ['1 a', '1 a'],
    ['2 [b]', null],
    ['3 c', '2 c'],
    [null, '3 [d]'],
  ]);
});

test('long runs of equal lines are folded, two kept beside each difference', () => {
  const lines = Array.from({ length: 20 }, (_, i) => `line ${i}`);
  const rows = sideBySide(lines.join('\n'), lines.map((line, i) => (i === 10 ? 'other' : line)).join('\n'));
  expect(rows.filter((row) => 'folded' in row)).toEqual([{ folded: 8 }, { folded: 7 }]);
  expect(rows).toHaveLength(2 + 2 + 1 + 2);
});

test('equal texts are one fold, and nothing is nothing', () => {
  expect(sideBySide('a\nb\n', 'a\nb\n')).toEqual([{ folded: 2 }]);
  expect(sideBySide('', '')).toEqual([]);
});
