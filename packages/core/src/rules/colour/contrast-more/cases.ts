import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: '#666666 on white, 5.74 to 1',
    html: '<p style="color:#666666">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'G17',
  },
  { shows: '#595959 on white, 7.00 to 1', html: '<p style="color:#595959">The lock is closed.</p>', source: 'G17' },
  { shows: 'what fails the lower bound is told there', html: '<p style="color:#999999">The lock is closed.</p>', source: 'G18' },
];
