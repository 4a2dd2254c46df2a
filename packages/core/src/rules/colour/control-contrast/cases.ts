import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a pale edge on white',
    html: '<p><label>Boat <input style="border:1px solid #ddd;background:#fff"></label></p>',
    at: ['/html[1]/body[1]/p[1]/label[1]/input[1]'],
    outcome: 'failed',
    source: 'G195',
  },
  { shows: 'a dark edge', html: '<p><label>Boat <input style="border:1px solid #666;background:#fff"></label></p>', source: 'G195' },
  {
    shows: 'the browser’s own edge',
    html: '<p><label>Boat <input></label></p>',
    source: 'WCAG 2.2, 1.4.11: appearance not set by the author',
  },
];
