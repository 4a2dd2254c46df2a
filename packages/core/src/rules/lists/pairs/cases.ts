import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a term at the end',
    html: '<dl><dt>Drone</dt><dd>A male bee</dd><dt>Worker</dt></dl>',
    at: ['/html[1]/body[1]/dl[1]/dt[2]'],
    outcome: 'failed',
    source: 'H40',
  },
  {
    shows: 'a description first',
    html: '<dl><dd>A male bee</dd><dt>Worker</dt><dd>A female</dd></dl>',
    at: ['/html[1]/body[1]/dl[1]/dd[1]'],
    outcome: 'failed',
    source: 'H40',
  },
  {
    shows: 'two terms with one description, and groups in divs',
    html: '<dl><dt>Drone</dt><dt>Male</dt><dd>A male bee</dd></dl><dl><div><dt>Worker</dt><dd>A female</dd></div></dl>',
    source: 'H40',
  },
];
