import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'headers in a table of presentation',
    html: '<table role="presentation"><tr><th>Walks</th><td>Text of the walks.</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F46',
  },
  {
    shows: 'a summary on one',
    html: '<table role="presentation" summary="Layout"><tr><td>Walks</td><td>Text of the walks.</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F46',
  },
  {
    shows: 'a table of presentation without marks',
    html: '<table role="presentation" summary=""><tr><td>Walks</td><td>Text of the walks.</td></tr></table>',
    source: 'F46',
  },
  {
    shows: 'two alike, with a summary each',
    html: '<table role="presentation" summary="Layout"><tr><td>a</td><td>b</td></tr></table><p>x</p><table role="presentation" summary="Layout"><tr><td>c</td><td>d</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F46',
  },
  {
    shows: 'a menu with a header cell',
    html: '<table summary="Navigation header"><tr><th colspan="3">Locks</th></tr><tr><td><a href="a">Prev</a></td><td>&nbsp;</td><td><a href="b">Next</a></td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F46',
  },
  {
    shows: 'names in header cells, each with its text beside it',
    html: '<table><tr><th>Synopsis</th><td><pre>open the gate</pre></td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'an index of links under two headers',
    html: '<table><tr><th>Entry</th><th>Section</th></tr><tr><td><a href="a">bees</a></td><td><a href="b">1 Hives</a></td></tr><tr><td><a href="c">wax</a></td><td><a href="d">2 Honey</a></td></tr></table>',
    source: 'practice',
  },
];
