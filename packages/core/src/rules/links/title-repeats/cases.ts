import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'the text again',
    html: '<p><a href="x" title="Boat trips">Boat trips</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'H33',
  },
  {
    shows: 'a title that adds something',
    html: '<p><a href="x" title="Boat trips from May to September">Boat trips</a></p>',
    source: 'H33',
  },
];
