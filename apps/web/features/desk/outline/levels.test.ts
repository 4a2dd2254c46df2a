import { levelOf, moved, repaired, troubles, withLevel } from './levels';

const LINES = [
  { path: 'a', text: 'Wax', level: 2 },
  { path: 'b', text: 'What it is for', level: null },
  { path: 'c', text: 'Rendering', level: 4 },
];
const levels = (wanted: ReadonlyMap<string, number>) => LINES.map((line) => levelOf(line, wanted));

test('a heading goes deeper and back, and is as it was', () => {
  const deeper = moved(LINES, new Map(), 0, 1);
  expect(levels(deeper)).toEqual([3, null, 4]);
  expect(moved(LINES, deeper, 0, -1).size).toBe(0);
});

test('an impostor becomes a heading beside the one before it, and none again', () => {
  const made = moved(LINES, new Map(), 1, 1);
  expect(levels(made)).toEqual([2, 2, 4]);
  expect(levels(moved(LINES, moved(LINES, made, 1, -1), 1, -1))).toEqual([2, null, 4]);
  expect(moved(LINES, new Map(), 1, -1).size).toBe(0);
});

test('no level beyond 6 or before 1', () => {
  let wanted = new Map() as ReadonlyMap<string, number>;
  for (let i = 0; i < 9; i++) wanted = moved(LINES, wanted, 2, 1);
  expect(levels(wanted)[2]).toBe(6);
  for (let i = 0; i < 9; i++) wanted = moved(LINES, wanted, 2, -1);
  expect(levels(wanted)[2]).toBe(1);
});

test('a repair changes the least, and what is wanted already counts', () => {
  expect([...repaired(LINES, new Map(), 'fragment')]).toEqual([['c', 3]]);
  expect([...repaired(LINES, withLevel(new Map(), LINES[1]!, 3), 'fragment')]).toEqual([['b', 3]]);
});

test('leaps are told where they stand, in a fragment under its title', () => {
  expect([...troubles(LINES, new Map(), 'fragment')]).toEqual([['c', 'leaps from 2 to 4']]);
  expect([...troubles([{ path: 'x', text: 'Deep', level: 3 }], new Map(), 'fragment')]).toEqual([['x', 'leaps from 1 to 3']]);
  expect([...troubles([{ path: 'x', text: 'Deep', level: 3 }], new Map(), 'document')]).toEqual([['x', 'the first heading is at level 3']]);
  expect([...troubles([{ path: 'x', text: 'Title', level: 1 }], new Map(), 'fragment')]).toEqual([
    ['x', 'level 1 is the title’s, which the platform shows'],
  ]);
});
