import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an id that a label refers to',
    html: '<p><label for="n">Name of the boat</label> <input id="n"></p><p><label for="n2">Length</label> <input id="n2"> <span id="n">x</span></p>',
    at: ['/html[1]/body[1]/p[2]/span[1]'],
    outcome: 'failed',
    source: 'F77',
  },
  {
    shows: 'an id nothing refers to',
    html: '<p id="a">One.</p><p id="a">Two.</p>',
    at: ['/html[1]/body[1]/p[2]'],
    outcome: 'failed',
    source: 'F77',
  },
  { shows: 'ids of their own', html: '<p id="a">One.</p><p id="b">Two.</p>', source: 'H93' },
];
