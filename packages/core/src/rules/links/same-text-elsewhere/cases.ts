import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two walks, one text',
    html: '<ul><li><a href="north.html">Walk map</a></li><li><a href="south.html">Walk map</a></li></ul>',
    at: ['/html[1]/body[1]/ul[1]/li[2]/a[1]'],
    outcome: 'cantTell',
    source: 'F63',
  },
  {
    shows: 'one destination twice',
    html: '<p><a href="north.html">Walk map</a> and again <a href="north.html">walk map</a></p>',
    source: 'F63',
  },
];
