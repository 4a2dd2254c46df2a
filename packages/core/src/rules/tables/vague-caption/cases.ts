import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a number',
    html: '<table><caption>Table 1</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]/caption[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'words that say it',
    html: '<table><caption>Table 1: Depths of the locks</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    source: 'practice',
  },
];
