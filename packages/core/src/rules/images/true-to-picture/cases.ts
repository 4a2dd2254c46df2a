import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a described image, asked once for each image and text',
    html: '<p><img src="a.png" alt="Two boats in the lock"> x <img src="a.png" alt="Two boats in the lock"></p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'G94',
  },
  { shows: 'a decorative image', html: '<p><img src="a.png" alt=""> x</p>', source: 'G94' },
  { shows: 'a placeholder is another note’s matter', html: '<p><img src="a.png" alt="image"> x</p>', source: 'F30' },
];
