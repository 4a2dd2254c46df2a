import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a data table with no name at all',
    html: '<table><tr><th>Week</th><th>Frames</th></tr><tr><td>1</td><td>4</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'H39',
  },
  {
    shows: 'an empty caption',
    html: '<table><caption> </caption><tr><th>Week</th></tr><tr><td>1</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'H39',
  },
  { shows: 'a caption', html: '<table><caption>Frames by week</caption><tr><th>Week</th></tr><tr><td>1</td></tr></table>', source: 'H39' },
  {
    shows: 'a name by ARIA',
    html: '<h2 id="h">Frames by week</h2><table aria-labelledby="h"><tr><th>Week</th></tr><tr><td>1</td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'the caption of the figure around it',
    html: '<figure><figcaption>Frames by week</figcaption><table><tr><th>Week</th></tr><tr><td>1</td></tr></table></figure>',
    source: 'practice',
  },
  { shows: 'a layout table', html: '<table role="none"><tr><td>a</td><td>b</td></tr></table>', source: 'F46' },
];
