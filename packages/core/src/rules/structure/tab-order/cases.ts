import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a place in the tab order',
    html: '<p><a href="x" tabindex="3">Boats</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F44',
  },
  {
    shows: 'in the order of the page, and out of it',
    html: '<p><span tabindex="0">Boats</span> <span tabindex="-1">Locks</span></p>',
    source: 'H4',
  },
];
