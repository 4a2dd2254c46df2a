import type { RevisionView } from '@inkwell/review';
import { folded, wordsOfRun } from './folded';

const revision = (number: number, cause: string, note: string): RevisionView => ({ number, cause, note, by: 'Ines', at: '' });
const HISTORY = [
  revision(7, 'restored', 'undid revision 4'),
  revision(6, 'restored', 'redid revision 4'),
  revision(5, 'restored', 'undid revision 4'),
  revision(4, 'fixed', 'Heading with no text'),
  revision(3, 'restored', 'restored revision 1'),
  revision(2, 'restored', 'undid revision 1'),
  revision(1, 'imported', ''),
];

test('undo and redo in a row are one line; a single one, and an earlier revision made the newest, are lines of their own', () => {
  expect(folded(HISTORY, new Set()).map((line) => line.map(({ number }) => number))).toEqual([[7, 6, 5], [4], [3], [2], [1]]);
  expect(wordsOfRun(folded(HISTORY, new Set())[0]!)).toBe('2 undone, 1 done again');
});

test('a run can be looked at step by step', () => {
  expect(folded(HISTORY, new Set([7])).map(([{ number }]) => number)).toEqual([7, 6, 5, 4, 3, 2, 1]);
});
