import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two maps, one title',
    html: '<iframe src="north.html" title="Walk map"></iframe><iframe src="south.html" title="Walk map"></iframe>',
    at: ['/html[1]/body[1]/iframe[2]'],
    outcome: 'cantTell',
    source: 'H64',
  },
  {
    shows: 'titles of their own',
    html: '<iframe src="north.html" title="Walk north"></iframe><iframe src="south.html" title="Walk south"></iframe>',
    source: 'H64',
  },
];
