import { entriesOf, holds } from './entries';

test('an entry is found by letters of its words, in any order and case', () => {
  expect(holds('ph wid', 'Show the proof at phone width')).toBe(true);
  expect(holds('WIDTH phone', 'Show the proof at phone width')).toBe(true);
  expect(holds('', 'Undo')).toBe(true);
  expect(holds('tablet', 'Show the proof at phone width')).toBe(false);
});

test('every shortcut is an entry that shows its key', () => {
  const run = jest.fn();
  const [entry] = entriesOf([{ key: 'n', does: 'Next note', run }]);
  expect(entry).toMatchObject({ key: 'n', does: 'Next note' });
  entry!.run();
  expect(run).toHaveBeenCalled();
});
