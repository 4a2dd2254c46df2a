import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an empty alternative under a caption',
    html: '<figure><img src="a.png" alt=""><figcaption>The lock in June</figcaption></figure>',
    at: ['/html[1]/body[1]/figure[1]/img[1]'],
    outcome: 'cantTell',
    source: 'F39',
  },
  {
    shows: 'a large image alone',
    html: '<p><img src="a.jpg" alt="" width="640" height="480"></p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'F38',
  },
  {
    shows: 'a file called a chart',
    html: '<p>Honey by month: <img src="honey-chart.png" alt=""></p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'F38',
  },
  { shows: 'a small ornament', html: '<p><img src="leaf.png" alt="" width="16" height="16"> Spring</p>', source: 'H37' },
  {
    shows: 'a large image in a link that has text',
    html: '<p><a href="x"><img src="a.jpg" alt="" width="640" height="480">Boat trips</a></p>',
    source: 'H2',
  },
];
