import type { RuleCase } from '../../types.ts';

const page = (content: string) =>
  `<html lang="en"><head><title>Locks</title><meta name="viewport" content="${content}"></head><body><main><h1>Locks</h1></main></body></html>`;

export const cases: RuleCase[] = [
  {
    shows: 'no enlarging',
    html: page('width=device-width, user-scalable=no'),
    at: ['/html[1]/head[1]/meta[1]'],
    outcome: 'failed',
    source: 'F69',
  },
  {
    shows: 'a low limit',
    html: page('width=device-width, maximum-scale=1.0'),
    at: ['/html[1]/head[1]/meta[1]'],
    outcome: 'failed',
    source: 'F69',
  },
  { shows: 'a limit that lets text double', html: page('width=device-width, initial-scale=1, maximum-scale=5'), source: 'practice' },
];
