import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a list of one',
    html: '<ul><li>Bring a veil.</li></ul>',
    at: ['/html[1]/body[1]/ul[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a list of two, and a menu of one',
    html: '<ul><li>Veil</li><li>Gloves</li></ul><nav><ul><li><a href="x">Home page</a></li></ul></nav>',
    source: 'practice',
  },
  {
    shows: 'two of them',
    html: '<ul><li>Floor</li></ul><p>Text.</p><ul><li>Box</li></ul>',
    at: ['/html[1]/body[1]/ul[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
];
