import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a whole sentence as a link',
    html: '<p><a href="x">The keeper of the top lock writes a list of all the boats that passed on each day of the summer and hangs it up at the hut</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a few words',
    html: '<p>The keeper writes <a href="x">a list of all the boats of the summer</a> and hangs it up.</p>',
    source: 'practice',
  },
];
