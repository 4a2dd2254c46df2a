import type { RuleCase } from '../../types.ts';

const inner = '<table><caption>Gates</caption><tr><th>Gate</th></tr><tr><td>Oak</td></tr></table>';

export const cases: RuleCase[] = [
  {
    shows: 'a table in a cell of data',
    html: `<table><caption>Locks</caption><tr><th>Lock</th><th>Gates</th></tr><tr><td>1</td><td>${inner}</td></tr></table>`,
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[2]/td[2]/table[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a data table in a layout', html: `<table role="presentation"><tr><td>${inner}</td></tr></table>`, source: 'practice' },
];
