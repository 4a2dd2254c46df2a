import { Stopwatch } from './spent';

function watch() {
  let now = 1_000_000;
  const stopwatch = new Stopwatch(() => now);
  return { stopwatch, pass: (seconds: number) => void (now += seconds * 1000) };
}

test('a finding is timed from when it is shown, with its first input and what became of it', () => {
  const { stopwatch, pass } = watch();
  stopwatch.show(7, null);
  pass(4);
  stopwatch.input();
  pass(10);
  stopwatch.input();
  pass(2);
  stopwatch.show(8, 'applied');
  expect(stopwatch.take()).toEqual([
    { finding_id: 7, what: 'shown', seconds: 0 },
    { finding_id: 7, what: 'first input', seconds: 4 },
    { finding_id: 7, what: 'applied', seconds: 16 },
    { finding_id: 8, what: 'shown', seconds: 0 },
  ]);
  expect(stopwatch.take()).toEqual([]);
});

test('a pause of more than a minute is left out, a shorter one is not', () => {
  const { stopwatch, pass } = watch();
  stopwatch.show(7, null);
  pass(30);
  stopwatch.sign();
  pass(61);
  stopwatch.sign();
  pass(59);
  stopwatch.show(null, 'skipped');
  expect(stopwatch.take().at(-1)).toEqual({ finding_id: 7, what: 'skipped', seconds: 89 });
});

test('the same finding shown again goes on', () => {
  const { stopwatch, pass } = watch();
  stopwatch.show(7, null);
  pass(5);
  stopwatch.show(7, 'skipped');
  expect(stopwatch.take()).toHaveLength(1);
});
