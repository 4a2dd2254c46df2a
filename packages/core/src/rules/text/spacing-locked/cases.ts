import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'lines locked close together',
    html: '<p style="line-height: 1.1 !important">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'C36',
  },
  {
    shows: 'letters locked',
    html: '<p style="letter-spacing: 0 !important; color: #000">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'C36',
  },
  {
    shows: 'wide, or free to change',
    html: '<p style="line-height: 1.6 !important">The lock.</p><p style="line-height: 1.1">Closed.</p>',
    source: 'C36',
  },
];
