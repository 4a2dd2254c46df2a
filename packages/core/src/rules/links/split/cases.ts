import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a phrase in two links',
    html: '<p>See the <a href="x">plan of</a> <a href="x">the lock</a>.</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'the same link twice with words between',
    html: '<p>See <a href="x">the plan</a> or <a href="x">the plan again</a>.</p>',
    source: 'practice',
  },
];
