import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two images, one description',
    html: '<p><img src="a.png" alt="The lock"> North. <img src="b.png" alt="The lock"> South.</p>',
    at: ['/html[1]/body[1]/p[1]/img[2]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'one image shown twice',
    html: '<p><img src="a.png" alt="The lock"> North. <img src="a.png" alt="The lock"> South.</p>',
    source: 'practice',
  },
];
