import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a box on the right',
    html: '<p>Choose a date in the box on the right.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'F14',
  },
  {
    shows: 'a round button',
    html: '<p>Press the round button to start.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'F14',
  },
  {
    shows: 'a thing named by its text',
    html: '<p>Press Start. The right to moor here is free, and the right way up matters.</p>',
    source: 'G96',
  },
];
