import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an image link before a text link',
    html: '<p><a href="x"><img src="a.png" alt="Boat trips"></a> <a href="x">Boat trips</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'H2',
  },
  { shows: 'one link around both', html: '<p><a href="x"><img src="a.png" alt=""> Boat trips</a></p>', source: 'H2' },
  {
    shows: 'two links to different places',
    html: '<p><a href="x"><img src="a.png" alt="Map"></a> <a href="y">Boat trips</a></p>',
    source: 'H2',
  },
];
