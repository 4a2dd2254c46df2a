import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two quote marks',
    html: `<p><img src="a.png" alt='""'> x</p>`,
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F39',
  },
  {
    shows: 'only spaces',
    html: '<p><img src="a.png" alt="  "> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F39',
  },
  {
    shows: 'empty, and words in quotes',
    html: `<p><img src="a.png" alt=""><img src="b.png" alt='"Heron", a narrowboat'></p>`,
    source: 'F39',
  },
];
