import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/table[1]'];

export const cases: RuleCase[] = [
  {
    shows: 'a first row across the whole table',
    html: '<table><tr><td colspan="2">Depths of the locks</td></tr><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at,
    outcome: 'cantTell',
    source: 'H39',
  },
  {
    shows: 'a line above that begins “Table 2”',
    html: '<p>Table 2: Depths of the locks</p><table><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at,
    outcome: 'cantTell',
    source: 'H39',
  },
  {
    shows: 'a real caption',
    html: '<table><caption>Depths</caption><tr><td colspan="2">In metres</td></tr><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    source: 'H39',
  },
  {
    shows: 'a paragraph about tables',
    html: '<p>Table tennis is played at the hut.</p><table><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    source: 'practice',
  },
];
