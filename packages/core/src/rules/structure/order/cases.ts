import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a box in reverse',
    html: '<div style="display:flex;flex-direction:row-reverse"><p>First pay.</p><p>Then board.</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'cantTell',
    source: 'C27',
  },
  {
    shows: 'parts given another order',
    html: '<div style="display:flex"><p style="order:2">First pay.</p><p style="order:1">Then board.</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'cantTell',
    source: 'F1',
  },
  {
    shows: 'a box in its order',
    html: '<div style="display:flex"><p>First pay.</p><p>Then board.</p></div><div style="display:flex;flex-direction:row-reverse"><p>Alone.</p></div>',
    source: 'C27',
  },
  {
    shows: 'text lifted to the top',
    html: '<div style="position:relative"><p>Then board the boat.</p><p style="position:absolute;top:0;left:0">First of all pay at the counter behind the old lock keeper’s house by the gate.</p></div>',
    at: ['/html[1]/body[1]/div[1]/p[2]'],
    outcome: 'cantTell',
    source: 'F1',
  },
];
