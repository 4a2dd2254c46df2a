import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'four colours',
    html: '<p><b style="color:#a00">A</b> <b style="color:#0a0">B</b> <b style="color:#00a">C</b> <b style="color:#a0a">D</b></p>',
    at: ['/html[1]/body[1]/p[1]/b[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'one colour', html: '<p><b style="color:#a00">A</b> <b style="color:#a00">B</b></p>', source: 'practice' },
];
