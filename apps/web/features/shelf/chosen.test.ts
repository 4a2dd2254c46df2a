import type { ShelfRow } from '@inkwell/review';
import { choiceOf, chosenRows, queryOf } from './chosen';

const row = (title: string, more: Partial<ShelfRow>): ShelfRow => ({
  slug: title,
  title,
  kind: 'site',
  putAway: false,
  pages: 1,
  verdicts: { held: 0, judge: 0, ready: 0 },
  signedOff: 0,
  published: 0,
  lapsed: 0,
  tally: { must: 0, should: 0, consider: 0, judge: 0 },
  hours: 0,
  last: null,
  ...more,
});
const ROWS = [
  row('Bees', { kind: 'course', hours: 9, verdicts: { held: 1, judge: 0, ready: 0 } }),
  row('Canal', { hours: 4, verdicts: { held: 7, judge: 0, ready: 0 }, last: { page: 'Locks', by: 'Ines', at: '2026-11-02T09:00:00Z' } }),
  row('Guide', { kind: 'book', last: { page: 'Birds', by: 'Ines', at: '2026-11-20T09:00:00Z' } }),
];
const titles = (query: string) => chosenRows(ROWS, choiceOf(new URLSearchParams(query))).map(({ title }) => title);

test('the shelf is narrowed by kind and words, and ordered by what is asked', () => {
  expect(titles('')).toEqual(['Bees', 'Canal', 'Guide']);
  expect(titles('order=held')).toEqual(['Canal', 'Bees', 'Guide']);
  expect(titles('order=hours')).toEqual(['Bees', 'Canal', 'Guide']);
  expect(titles('order=changed')).toEqual(['Guide', 'Canal', 'Bees']);
  expect(titles('kind=book&order=nonsense')).toEqual(['Guide']);
  expect(titles('words=AN')).toEqual(['Canal']);
});

test('a choice stands in the address, and only what differs from the usual', () => {
  expect(queryOf(choiceOf(new URLSearchParams('')))).toBe('');
  expect(queryOf({ order: 'held', kind: 'site', words: ' canal ' })).toBe('?order=held&kind=site&words=canal');
});
