import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a price struck out',
    html: '<p>A day on the water: <s>12</s> 9 pounds.</p>',
    at: ['/html[1]/body[1]/p[1]/s[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'two of them',
    html: '<p>Open on <del>Monday</del> and <del>Tuesday</del>.</p>',
    at: ['/html[1]/body[1]/p[1]/del[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'told in words too',
    html: '<p>A day on the water: was <s>12</s>, now 9 pounds.</p>',
    source: 'practice',
  },
];
