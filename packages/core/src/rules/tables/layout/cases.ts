import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'one row of an image and text',
    html: '<table><tr><td><img src="a.png" alt="A lock gate"></td><td><p>The gate was built of oak.</p><p>It lasts.</p></td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'F49',
  },
  {
    shows: 'the same, marked as presentation',
    html: '<table role="presentation"><tr><td><img src="a.png" alt="A lock gate"></td><td><p>The gate was built of oak.</p></td></tr></table>',
    source: 'F49',
  },
  {
    shows: 'a table of data',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    source: 'F49',
  },
  {
    shows: 'two tables built alike',
    html: '<table><tr><td><img src="a.png" alt="A gate"></td><td><p>Oak.</p><p>It lasts.</p></td></tr></table><p>x</p><table><tr><td><img src="b.png" alt="A pound"></td><td><p>Deep.</p><p>It fills.</p></td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'F49',
  },
];
