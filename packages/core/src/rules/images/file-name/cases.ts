import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a camera’s name',
    html: '<p><img src="IMG_2041.jpg" alt="A heron"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'spaces and capitals',
    html: '<p><img src="Top%20Lock.jpg" alt="A heron"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'no word',
    html: '<p><img src="9f8e7d6c5b4a.png" alt="A heron"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a plain name', html: '<p><img src="images/heron-at-lock-2.jpg" alt="A heron"> x</p>', source: 'practice' },
];
