import { forecast } from './forecast.ts';

const days = (...open: number[]) =>
  open.map((many, nth) => ({ day: new Date(Date.UTC(2026, 2, 1 + nth)).toISOString().slice(0, 10), open: many }));

test('a steady pace is told to the day', () => {
  expect(forecast(days(100, 90, 80, 70))).toEqual({ perDay: 10, done: '2026-03-11', soonest: '2026-03-11', latest: '2026-03-11', days: 4 });
});

test('one day of much work does not bend it, and shows in the spread', () => {
  const told = forecast(days(200, 198, 196, 120, 118, 116, 114, 112))!;
  expect(told.perDay).toBeGreaterThanOrEqual(2);
  expect(told.perDay).toBeLessThan(20);
  expect(told.soonest! < told.done!).toBe(true);
  expect(told.done! < told.latest!).toBe(true);
});

test('what grows is never done; what is done, or known for two days, is not foretold', () => {
  expect(forecast(days(10, 12, 15))).toMatchObject({ done: null, latest: null });
  expect(forecast(days(10, 5, 0))).toBeNull();
  expect(forecast(days(10, 5))).toBeNull();
});
