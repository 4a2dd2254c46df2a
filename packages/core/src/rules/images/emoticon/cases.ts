import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a face of characters',
    html: '<p>See you at the hive :-)</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'H86',
  },
  { shows: 'a run of emoji', html: '<p>Harvest! 🍯🐝🍯🐝</p>', at: ['/html[1]/body[1]/p[1]'], outcome: 'cantTell', source: 'H86' },
  { shows: 'one emoji, a time and a range', html: '<p>Harvest 🍯 at 10:30 (bring jars: two)</p>', source: 'practice' },
  { shows: 'a run with a name', html: '<p>Harvest! <span role="img" aria-label="honey and bees">🍯🐝🍯🐝</span></p>', source: 'H86' },
  { shows: 'code', html: '<p><code>a = :-)</code></p>', source: 'practice' },
];
