import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a video without controls',
    html: '<video src="lock.mp4"></video>',
    at: ['/html[1]/body[1]/video[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a video with controls', html: '<video src="lock.mp4" controls></video>', source: 'practice' },
];
