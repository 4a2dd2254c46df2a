import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a poster',
    html: '<p><img src="open-day-poster.png" alt="Open day on 4 May"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'C22',
  },
  {
    shows: 'an alternative that copies a notice',
    html: '<p><img src="a.png" alt="Open day! Come and see the locks at work. Gates open at 10:30 on Saturday 4 May. Tea and cake in the hut."> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'C22',
  },
  { shows: 'an image of a thing', html: '<p><img src="heron.png" alt="A heron on the lock gate"> x</p>', source: 'C22' },
];
