import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a row that is short of a cell',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td></tr><tr><td>2</td><td>3 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'H51',
  },
  {
    shows: 'spans that overlap',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th rowspan="2">Depth</th></tr><tr><td colspan="2">1</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'H51',
  },
  {
    shows: 'spans that fill the row',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td colspan="2">Closed</td></tr><tr><td>2</td><td>3 m</td></tr></table>',
    source: 'H51',
  },
];
