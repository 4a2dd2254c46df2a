import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a text colour alone',
    html: '<p>The lock is <span style="color:#800000">closed</span>.</p>',
    at: ['/html[1]/body[1]/p[1]/span[1]'],
    outcome: 'failed',
    source: 'F24',
  },
  {
    shows: 'a ground alone',
    html: '<p style="background:#ffe">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F24',
  },
  { shows: 'both', html: '<p style="color:#222;background:#ffe">The lock is <b style="color:#600">closed</b>.</p>', source: 'F24' },
  { shows: 'neither', html: '<p style="margin:0">The lock is closed.</p>', source: 'F24' },
];
