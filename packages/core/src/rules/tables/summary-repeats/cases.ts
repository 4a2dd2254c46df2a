import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a summary equal to the caption',
    html: '<table summary="Locks"><caption>Locks</caption><tr><th>Lock</th></tr><tr><td>1</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'H73',
  },
  {
    shows: 'a summary that adds something',
    html: '<table summary="One row for each lock from north to south"><caption>Locks</caption><tr><th>Lock</th></tr><tr><td>1</td></tr></table>',
    source: 'H73',
  },
  {
    shows: 'two tables with one caption',
    html: '<table><caption>Locks</caption><tr><th>Lock</th></tr><tr><td>1</td></tr></table><table><caption>Locks</caption><tr><th>Lock</th></tr><tr><td>2</td></tr></table>',
    at: ['/html[1]/body[1]/table[2]'],
    outcome: 'failed',
    source: 'H73',
  },
];
