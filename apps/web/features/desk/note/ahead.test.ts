import { makeAhead } from './ahead';

test('what is typed ahead on one note is done on those behind it, once each', () => {
  const ahead = makeAhead();
  ahead.add(1);
  ahead.add(1);
  expect([ahead.take(2), ahead.take(3), ahead.take(4)]).toEqual([true, true, false]);
});

test('a note that still stands after its fix is not fixed again, and neither is what comes behind it', () => {
  const ahead = makeAhead();
  ahead.add(1);
  expect([ahead.take(1), ahead.take(2)]).toEqual([false, false]);
  ahead.add(5);
  ahead.add(5);
  expect([ahead.take(6), ahead.take(6), ahead.take(7)]).toEqual([true, false, false]);
});

test('a key that is held down does no more than ten', () => {
  const ahead = makeAhead();
  for (let i = 0; i < 50; i++) ahead.add(1);
  expect(Array.from({ length: 50 }, (_, i) => ahead.take(i + 2)).filter(Boolean)).toHaveLength(10);
});
