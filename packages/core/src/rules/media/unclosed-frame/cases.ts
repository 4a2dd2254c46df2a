import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a frame closed as XML would',
    html: '<p>Map:</p><iframe src="map.html" title="Walk map"/><p>The walk begins at the lock.</p>',
    at: ['/html[1]/body[1]/iframe[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a frame that is closed',
    html: '<iframe src="map.html" title="Walk map"></iframe><p>The walk begins at the lock.</p>',
    source: 'practice',
  },
];
