import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'captions alone',
    html: '<video controls src="lock.mp4"><track kind="captions" src="lock.vtt"></video>',
    at: ['/html[1]/body[1]/video[1]'],
    outcome: 'cantTell',
    source: 'G69',
  },
  {
    shows: 'with a transcript',
    html: '<div><video controls src="lock.mp4"><track kind="captions" src="lock.vtt"></video></div><p><a href="lock.html">Transcript</a></p>',
    source: 'G69',
  },
];
