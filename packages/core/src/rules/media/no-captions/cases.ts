import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a video without a track',
    html: '<video src="lock.mp4" controls></video>',
    at: ['/html[1]/body[1]/video[1]'],
    outcome: 'cantTell',
    source: 'F8',
  },
  {
    shows: 'an embedded player',
    html: '<iframe src="https://media.larkmoor.example/embed/7" title="How a lock works"></iframe>',
    at: ['/html[1]/body[1]/iframe[1]'],
    outcome: 'cantTell',
    source: 'G87',
  },
  {
    shows: 'a video with captions',
    html: '<video controls><source src="lock.mp4"><track kind="captions" src="lock.vtt" srclang="en"></video>',
    source: 'H95',
  },
  {
    shows: 'a silent loop, and a map',
    html: '<video src="water.mp4" muted loop></video><iframe src="map.html" title="Map"></iframe>',
    source: 'practice',
  },
];
