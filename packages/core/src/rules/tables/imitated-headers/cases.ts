import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/table[1]'];

export const cases: RuleCase[] = [
  {
    shows: 'a bold first row',
    html: '<table border="1"><caption>Locks</caption><tr><td><b>Lock</b></td><td><b>Depth</b></td></tr><tr><td>1</td><td>2 m</td></tr><tr><td>2</td><td>3 m</td></tr></table>',
    at,
    outcome: 'failed',
    source: 'F91',
  },
  {
    shows: 'a shaded first row',
    html: '<table border="1"><tr bgcolor="#dddddd"><td>Lock</td><td>Depth</td></tr><tr><td>1</td><td>2 m</td></tr><tr><td>2</td><td>3 m</td></tr></table>',
    at,
    outcome: 'failed',
    source: 'F91',
  },
  {
    shows: 'a bold first column',
    html: '<table border="1"><tr><td><b>Depth</b></td><td>2 m</td><td>3 m</td></tr><tr><td><b>Width</b></td><td>5 m</td><td>5 m</td></tr></table>',
    at,
    outcome: 'failed',
    source: 'F91',
  },
  {
    shows: 'real headers',
    html: '<table border="1"><tr><th>Lock</th><th>Depth</th></tr><tr><td><b>1</b></td><td>2 m</td></tr></table>',
    source: 'H51',
  },
  {
    shows: 'stripes',
    html: '<table border="1"><tr bgcolor="#dddddd"><td>Lock</td><td>Depth</td></tr><tr><td>1</td><td>2 m</td></tr><tr bgcolor="#dddddd"><td>2</td><td>3 m</td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'a table that is bold throughout',
    html: '<table border="1"><tr><td><b>a</b></td><td><b>b</b></td></tr><tr><td><b>1</b></td><td><b>2</b></td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'a bold first row and column',
    html: '<table border="1"><tr><td><b>Lock</b></td><td><b>Depth</b></td><td><b>Width</b></td></tr><tr><td><b>One</b></td><td>2 m</td><td>4 m</td></tr><tr><td><b>Two</b></td><td>3 m</td><td>4 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F91',
  },
];
