import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'sound alone',
    html: '<p>Listen:</p><audio src="keeper.mp3" controls></audio>',
    at: ['/html[1]/body[1]/audio[1]'],
    outcome: 'cantTell',
    source: 'G158',
  },
  {
    shows: 'a link to a recording',
    html: '<p><a href="keeper.mp3">Talk with the keeper (MP3)</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'cantTell',
    source: 'G158',
  },
  {
    shows: 'a transcript beside it',
    html: '<div><audio src="keeper.mp3" controls></audio></div><p><a href="keeper.html">Transcript of the talk</a></p>',
    source: 'G158',
  },
];
