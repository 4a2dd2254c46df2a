import type { RuleCase } from '../../types.ts';

const page = (content: string) =>
  `<html lang="en"><head><title>Locks</title><meta http-equiv="refresh" content="${content}"></head><body><main><h1>Locks</h1></main></body></html>`;

export const cases: RuleCase[] = [
  { shows: 'a page that reloads itself', html: page('60'), at: ['/html[1]/head[1]/meta[1]'], outcome: 'failed', source: 'F41' },
  {
    shows: 'a page that leaves after a while',
    html: page('5; url=new.html'),
    at: ['/html[1]/head[1]/meta[1]'],
    outcome: 'failed',
    source: 'F40',
  },
  { shows: 'one that leaves at once', html: page('0; url=new.html'), source: 'H76' },
];
