import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'no main',
    html: '<html lang="en"><head><title>Locks</title></head><body><h1>Locks</h1><p>Text.</p></body></html>',
    at: ['/html[1]/body[1]'],
    outcome: 'failed',
    source: 'ARIA11',
  },
  {
    shows: 'a main by tag or role',
    html: '<html lang="en"><head><title>Locks</title></head><body><div role="main"><h1>Locks</h1></div></body></html>',
    source: 'ARIA11',
  },
  { shows: 'a fragment has its platform’s', html: '<h2>Locks</h2><p>Text.</p>', source: 'practice' },
];
