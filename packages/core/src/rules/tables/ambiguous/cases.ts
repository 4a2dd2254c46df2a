import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a header that stands between data, and merged cells',
    html: '<table><caption>Locks</caption><tr><td>Lock</td><th>North</th><td rowspan="2">Both</td></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F90',
  },
  {
    shows: 'headers at the far side, and merged cells',
    html: '<table><caption>Locks</caption><tr><td>2 m</td><td>5 m</td><th>North</th></tr><tr><td colspan="2">closed</td><th>South</th></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'two levels of headers that the order settles',
    html: '<table><caption>Locks</caption><tr><td></td><th colspan="2">North</th></tr><tr><td></td><th>Depth</th><th>Width</th></tr><tr><th>1</th><td>2 m</td><td>5 m</td></tr></table>',
    source: 'H43',
  },
  {
    shows: 'cells tied to their headers',
    html: '<table><caption>Locks</caption><tr><td headers="n">Lock</td><th id="n">North</th><td rowspan="2" headers="n">Both</td></tr><tr><td headers="n">1</td><td headers="n">2 m</td></tr></table>',
    source: 'H43',
  },
];
