import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'no title',
    html: '<html lang="en"><head></head><body><p>Text</p></body></html>',
    at: ['/html[1]/head[1]'],
    outcome: 'failed',
    source: 'H25',
  },
  {
    shows: 'a blank title',
    html: '<html lang="en"><head><title> </title></head><body></body></html>',
    at: ['/html[1]/head[1]/title[1]'],
    outcome: 'failed',
    source: 'H25',
  },
  { shows: 'a title', html: '<html lang="en"><head><title>Locks</title></head><body></body></html>', source: 'G88' },
  {
    shows: 'the title of a drawing is not the page’s',
    html: '<html lang="en"><head></head><body><svg><title>Gate</title></svg></body></html>',
    at: ['/html[1]/head[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a fragment', html: '<p>Text</p>', source: 'practice' },
];
