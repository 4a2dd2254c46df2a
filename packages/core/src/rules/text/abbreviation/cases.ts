import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an abbreviation out of nowhere',
    html: '<p>The LCT keeps the locks.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'G97',
  },
  {
    shows: 'written out at first, or by its markup',
    html: '<p>The Larkmoor Canal Trust (LCT) keeps the locks. The <abbr title="Royal Bee Association">RBA</abbr> helps.</p>',
    source: 'G97',
  },
  { shows: 'one that everybody knows', html: '<p>Watch it on TV or in the UK.</p>', source: 'practice' },
];
