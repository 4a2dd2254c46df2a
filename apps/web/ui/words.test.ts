import { counted, FAMILIES, FAMILY_WORDS, tallyWords } from './words';

test('the tally in words leaves out what is not there', () => {
  expect(tallyWords({ must: 4, should: 3, consider: 0, judge: 2 })).toBe('4 must, 3 should, 2 to judge');
  expect(tallyWords({ must: 0, should: 0, consider: 1, judge: 0 })).toBe('1 to consider');
  expect(tallyWords({ must: 0, should: 0, consider: 0, judge: 0 })).toBe('nothing open');
});

test('one is one, and more are more', () => {
  expect([counted(1, 'page'), counted(2, 'page'), counted(0, 'page'), counted(2, 'entry', 'entries')]).toEqual([
    '1 page',
    '2 pages',
    '0 pages',
    '2 entries',
  ]);
});

test('every family has its word', () => {
  for (const family of FAMILIES) expect(FAMILY_WORDS[family].toLowerCase()).toBe(family);
});
