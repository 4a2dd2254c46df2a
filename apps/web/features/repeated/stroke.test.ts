import type { StrokeView } from '@inkwell/review';
import { cameOf, isUnderWay } from './stroke';

const stroke = (came: Partial<StrokeView>): StrokeView => ({
  id: 1,
  rule: 'images/no-alternative',
  act: 'fix',
  remedy: 'describe',
  by: 'Ines Calder',
  taken_back: false,
  waiting: 0,
  done: 0,
  returned: 0,
  left: [],
  files: 0,
  title: 'Image without alternative',
  label: 'describe it',
  at: '2026-11-26T09:00:00Z',
  ...came,
});
const left = [{ slug: 'weir', title: 'Weir', why: 'It changed.' }];

test.each([
  [stroke({ done: 37, left }), 'Done on 37 pages, 1 left as they were.', false],
  [stroke({ done: 8, waiting: 30 }), 'Done on 8 pages, 30 to come.', true],
  [stroke({ taken_back: true, returned: 1, done: 1, left }), 'Taken back: 1 page is as before, 1 stayed.', false],
])('what came of it is told in a sentence', (came, words, underWay) => {
  expect(cameOf(came)).toBe(words);
  expect(isUnderWay(came)).toBe(underWay);
});
