import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a size in points, told once for each',
    html: '<p style="font-size:11pt">The lock</p><p style="font-size:11pt">is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'C12',
  },
  {
    shows: 'a font tag’s size',
    html: '<p>The <font size="1">lock</font> is closed.</p>',
    at: ['/html[1]/body[1]/p[1]/font[1]'],
    outcome: 'failed',
    source: 'C12',
  },
  {
    shows: 'a size that grows with the reader’s',
    html: '<p style="font-size:1.2em">The lock</p><p style="font-size:110%">is closed.</p>',
    source: 'C12',
  },
  {
    shows: 'a tiny size',
    html: '<p style="font-size:8px">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'C12',
  },
];
