import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a described image alone in its paragraph',
    html: '<p><img src="a.png" alt="Two boats in the lock"></p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a figure with a caption',
    html: '<figure><img src="a.png" alt="Two boats in the lock"><figcaption>June at the top lock</figcaption></figure>',
    source: 'practice',
  },
  {
    shows: 'an image in running text, and an ornament',
    html: '<p>Look: <img src="a.png" alt="Two boats in the lock"> two boats.</p><p><img src="b.png" alt=""></p>',
    source: 'practice',
  },
];
