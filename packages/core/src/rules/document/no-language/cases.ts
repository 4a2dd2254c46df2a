import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'no lang',
    html: '<html><head><title>Locks</title></head><body><p>Text</p></body></html>',
    at: ['/html[1]'],
    outcome: 'failed',
    source: 'H57',
  },
  { shows: 'a blank lang', html: '<html lang=" "><body><p>Text</p></body></html>', at: ['/html[1]'], outcome: 'failed', source: 'H57' },
  {
    shows: 'only xml:lang',
    html: '<html xml:lang="en"><body><p>Text</p></body></html>',
    at: ['/html[1]'],
    outcome: 'failed',
    source: 'H57',
  },
  { shows: 'a language', html: '<html lang="en-GB"><body><p>Text</p></body></html>', source: 'H57' },
  { shows: 'a fragment, whose platform names it', html: '<p>Text</p>', source: 'practice' },
];
