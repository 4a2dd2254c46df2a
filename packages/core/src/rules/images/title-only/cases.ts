import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a title and no alternative',
    html: '<p><img src="a.png" title="A heron"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F65',
  },
  { shows: 'both', html: '<p><img src="a.png" alt="A heron" title="Taken in June"> x</p>', source: 'F65' },
];
