import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a video with captions only',
    html: '<video controls src="lock.mp4"><track kind="captions" src="lock.vtt"></video>',
    at: ['/html[1]/body[1]/video[1]'],
    outcome: 'cantTell',
    source: 'G78',
  },
  {
    shows: 'a video with a track of descriptions',
    html: '<video controls src="lock.mp4"><track kind="descriptions" src="lock-d.vtt"></video>',
    source: 'G78',
  },
];
