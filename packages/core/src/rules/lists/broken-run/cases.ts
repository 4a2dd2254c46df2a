import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a list that begins where another ended',
    html: '<ol><li>Light</li><li>Smoke</li></ol><p>Wait a minute.</p><ol start="3"><li>Open</li></ol>',
    at: ['/html[1]/body[1]/ol[2]'],
    outcome: 'cantTell',
    source: 'H48',
  },
  {
    shows: 'lists of one, each restarting',
    html: '<ol><li>Light</li></ol><p>Use dry grass.</p><ol><li>Open</li></ol>',
    at: ['/html[1]/body[1]/ol[2]'],
    outcome: 'cantTell',
    source: 'H48',
  },
  {
    shows: 'two lists under two headings',
    html: '<ol><li>Light</li><li>Smoke</li></ol><h2>Afterwards</h2><ol><li>Close</li><li>Leave</li></ol>',
    source: 'H48',
  },
  {
    shows: 'bullet lists of one item each',
    html: '<ul><li>Floor</li></ul>\n<ul><li>Box</li></ul>',
    at: ['/html[1]/body[1]/ul[1]'],
    outcome: 'cantTell',
    source: 'H48',
  },
];
