import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'numbers in a bordered table of plain cells',
    html: '<table border="1"><tr><td>Week</td><td>Frames</td></tr><tr><td>1</td><td>4</td></tr><tr><td>3</td><td>6</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'H51',
  },
  {
    shows: 'a caption says that it is data',
    html: '<table><caption>Frames</caption><tr><td>Week</td><td>Frames</td></tr><tr><td>1</td><td>4</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F91',
  },
  {
    shows: 'short words in two rows may be either',
    html: '<table><tr><td>Floor</td><td>Box</td></tr><tr><td>Roof</td><td>Stand</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'header cells in the first row',
    html: '<table><tr><th>Week</th><th>Frames</th></tr><tr><td>1</td><td>4</td></tr></table>',
    source: 'H51',
  },
  { shows: 'header cells in the first column only', html: '<table><tr><th scope="row">Week 1</th><td>4</td></tr></table>', source: 'H63' },
  {
    shows: 'a layout table that says so',
    html: '<table role="presentation"><tr><td>1</td><td>4</td></tr><tr><td>2</td><td>5</td></tr></table>',
    source: 'F46',
  },
  {
    shows: 'one cell, one row or one column is no grid',
    html: '<table><tr><td>Text</td></tr></table><table><tr><td>Left</td><td>Right</td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'columns of prose and lists',
    html: '<table><tr><td><ul><li>a</li></ul></td><td><h2>News</h2></td></tr><tr><td><form></form></td><td><h2>More</h2></td></tr></table>',
    source: 'F49',
  },
  {
    shows: 'two tables built alike that may be either',
    html: '<table><tr><td>Floor</td><td>Box</td></tr><tr><td>Roof</td><td>Stand</td></tr></table><p>x</p><table><tr><td>Veil</td><td>Glove</td></tr><tr><td>Smoker</td><td>Tool</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'H51',
  },
];
