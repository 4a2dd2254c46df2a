import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a chart with a name only',
    html: '<p><img src="a.png" alt="Chart of honey by month"></p><p>See above.</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'G95',
  },
  {
    shows: 'a chart with its table',
    html: '<figure><img src="a.png" alt="Chart of honey by month"><table><caption>Honey</caption><tr><th>May</th></tr><tr><td>3</td></tr></table></figure>',
    source: 'G92',
  },
  {
    shows: 'a chart that points to its description',
    html: '<p><img src="a.png" alt="Chart of honey by month" aria-describedby="d"></p><p id="d">Honey peaks in June.</p>',
    source: 'G92',
  },
  { shows: 'no chart', html: '<p><img src="a.png" alt="Two jars of honey"></p>', source: 'practice' },
];
