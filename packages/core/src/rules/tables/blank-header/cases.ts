import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an empty header over a column',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th></th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[1]/th[2]'],
    outcome: 'failed',
    source: 'H51',
  },
  {
    shows: 'an empty corner',
    html: '<table><caption>Locks</caption><tr><th></th><th>Depth</th></tr><tr><th>Lock 1</th><td>2 m</td></tr></table>',
    source: 'H51',
  },
  {
    shows: 'a header that is a described image',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th><img src="d.png" alt="Depth"></th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    source: 'H51',
  },
];
