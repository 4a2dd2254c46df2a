import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'one key twice',
    html: '<p><a href="x" accesskey="b">Boats</a> <a href="y" accesskey="B">Bridges</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[2]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a key each', html: '<p><a href="x" accesskey="b">Boats</a> <a href="y" accesskey="r">Bridges</a></p>', source: 'practice' },
];
