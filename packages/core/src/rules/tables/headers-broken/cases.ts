import type { RuleCase } from '../../types.ts';

const table = (headers: string, more = '') =>
  `<table><caption>Locks</caption><tr><th id="l">Lock</th><th id="d">Depth</th></tr><tr><td headers="l">1</td><td id="x" headers="${headers}">2 m</td></tr></table>${more}`;
const at = ['/html[1]/body[1]/table[1]/tbody[1]/tr[2]/td[2]'];

export const cases: RuleCase[] = [
  { shows: 'an id that is nowhere', html: table('depth'), at, outcome: 'failed', source: 'F90' },
  { shows: 'the cell itself', html: table('x'), at, outcome: 'failed', source: 'F90' },
  {
    shows: 'a cell of another table',
    html: table('o', '<table><caption>Other</caption><tr><th id="o">Boat</th></tr><tr><td>1</td></tr></table>'),
    at,
    outcome: 'failed',
    source: 'F90',
  },
  { shows: 'the right header', html: table('d'), source: 'H43' },
];
