import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a guess',
    html: '<p><img src="a.png" alt="May be an image of water and sky"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a description',
    html: '<p><img src="a.png" alt="The lower gate in May"> x</p>',
    source: 'practice',
  },
];
