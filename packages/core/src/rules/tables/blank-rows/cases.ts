import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an empty row between others',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td>&nbsp;</td><td></td></tr><tr><td>2</td><td>3 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[2]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a row with one empty cell',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td></td></tr><tr><td>2</td><td>3 m</td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'an empty column between others',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><td></td><th>Depth</th></tr><tr><td>1</td><td></td><td>2 m</td></tr><tr><td>2</td><td></td><td>3 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'practice',
  },
];
