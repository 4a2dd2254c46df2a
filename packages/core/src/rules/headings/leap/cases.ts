import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  { shows: 'level 2 to level 4', html: '<h2>Hive</h2><h4>Floor</h4>', at: ['/html[1]/body[1]/h4[1]'], outcome: 'failed', source: 'G141' },
  {
    shows: 'both headings that skip the level under one parent',
    html: '<h1>Bees</h1><h3>Floor</h3><h3>Roof</h3>',
    at: ['/html[1]/body[1]/h3[1]', '/html[1]/body[1]/h3[2]'],
    outcome: 'failed',
    source: 'G141',
  },
  {
    shows: 'a leap by aria-level',
    html: '<h2>Hive</h2><div role="heading" aria-level="5">Floor</div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'G141',
  },
  { shows: 'going back up by several levels', html: '<h2>Hive</h2><h3>Floor</h3><h4>Mesh</h4><h2>Bees</h2>', source: 'G141' },
  { shows: 'a hidden heading between is not met', html: '<h2>Hive</h2><h3>Floor</h3><h6 hidden>Mesh</h6>', source: 'practice' },
  { shows: 'steps of one', html: '<h1>Bees</h1><h2>Hive</h2><h3>Floor</h3><h3>Roof</h3>', source: 'H42' },
];
