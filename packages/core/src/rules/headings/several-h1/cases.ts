import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two level 1 headings in a document',
    html: '<html lang="en"><body><h1>Hive</h1><h1>Bees</h1></body></html>',
    at: ['/html[1]/body[1]/h1[2]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a level 1 heading in a fragment, whose title the platform shows',
    html: '<h1>Hive</h1><p>Text.</p>',
    at: ['/html[1]/body[1]/h1[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'one level 1 heading in a document',
    html: '<html lang="en"><body><h1>Hive</h1><h2>Bees</h2></body></html>',
    source: 'practice',
  },
  {
    shows: 'a second one that is hidden',
    html: '<html lang="en"><body><h1>Hive</h1><h1 hidden>Bees</h1></body></html>',
    source: 'practice',
  },
];
