import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a value that is none',
    html: '<table><caption>Locks</caption><tr><th scope="column">Lock</th><th scope="col">Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[1]/th[1]'],
    outcome: 'failed',
    source: 'H63',
  },
  {
    shows: 'a scope on a data cell',
    html: '<table><caption>Locks</caption><tr><th scope="col">Lock</th><th scope="col">Depth</th></tr><tr><td scope="row">1</td><td>2 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[2]/td[1]'],
    outcome: 'failed',
    source: 'H63',
  },
  {
    shows: 'a column header that says row',
    html: '<table><caption>Locks</caption><tr><th scope="row">Lock</th><th scope="col">Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[1]/th[1]'],
    outcome: 'failed',
    source: 'H63',
  },
  {
    shows: 'scopes that fit',
    html: '<table><caption>Locks</caption><tr><td></td><th scope="col">Depth</th></tr><tr><th scope="row">1</th><td>2 m</td></tr></table>',
    source: 'H63',
  },
];
