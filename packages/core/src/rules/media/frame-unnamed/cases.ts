import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a frame without a title',
    html: '<iframe src="map.html"></iframe>',
    at: ['/html[1]/body[1]/iframe[1]'],
    outcome: 'failed',
    source: 'H64',
  },
  {
    shows: 'a title that fits any frame',
    html: '<iframe src="map.html" title="iframe"></iframe>',
    at: ['/html[1]/body[1]/iframe[1]'],
    outcome: 'failed',
    source: 'H64',
  },
  { shows: 'a title', html: '<iframe src="map.html" title="Map of the towpath"></iframe>', source: 'H64' },
  {
    shows: 'a hidden frame',
    html: '<iframe src="count.html" hidden></iframe><iframe src="count.html" style="display:none"></iframe>',
    source: 'H64',
  },
];
