import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a presentational list',
    html: '<ul role="presentation"><li>Veil</li><li>Gloves</li></ul>',
    at: ['/html[1]/body[1]/ul[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'no marker by style',
    html: '<ul style="list-style:none"><li>Veil</li><li>Gloves</li></ul>',
    at: ['/html[1]/body[1]/ul[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'no marker, with the role said again',
    html: '<ul role="list" style="list-style:none"><li>Veil</li><li>Gloves</li></ul>',
    source: 'practice',
  },
  {
    shows: 'a menu of links',
    html: '<nav><ul style="list-style:none"><li><a href="a">Home page</a></li><li><a href="b">Boats</a></li></ul></nav>',
    source: 'practice',
  },
];
