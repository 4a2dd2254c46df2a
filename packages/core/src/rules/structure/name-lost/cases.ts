import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'on a bare span',
    html: '<p>Depth <span aria-label="two metres">2</span></p>',
    at: ['/html[1]/body[1]/p[1]/span[1]'],
    outcome: 'failed',
    source: 'ARIA14',
  },
  {
    shows: 'on code and on a paragraph',
    html: '<p aria-label="A remark">Close the gate with <code aria-label="key">k</code>.</p>',
    at: ['/html[1]/body[1]/p[1]', '/html[1]/body[1]/p[1]/code[1]'],
    outcome: 'failed',
    source: 'ARIA14',
  },
  {
    shows: 'on what has a role, and on what shows it',
    html: '<div role="group" aria-label="Depth">2</div><nav aria-label="Locks"></nav><span aria-label="two">two</span>',
    source: 'ARIA14',
  },
  {
    shows: 'pointed to from elsewhere',
    html: '<h2 id="t">Depths</h2><div aria-labelledby="t"><p>Two metres.</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'ARIA14',
  },
];
