import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an empty address',
    html: '<p><img src="" alt="A heron"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'an address, when the collection is not known', html: '<p><img src="gone.png" alt="A heron"> x</p>', source: 'practice' },
  {
    shows: 'a file the collection does not hold',
    html: '<p><img src="gone.png" alt="A heron"> and no more</p>',
    surroundings: { leadsSomewhere: () => false },
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
];
