import type { RuleCase } from '../../types.ts';

const surroundings = { leadsSomewhere: (address: string) => (/^[a-z]+:/.test(address) ? undefined : address.startsWith('boats')) };

export const cases: RuleCase[] = [
  {
    shows: 'a page the collection does not have',
    html: '<p><a href="gone.html">Prices</a></p>',
    surroundings,
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a page it has, and one elsewhere',
    html: '<p><a href="boats.html">Boats</a> <a href="https://larkmoor.example/gone.html">Prices</a></p>',
    surroundings,
    source: 'practice',
  },
  { shows: 'a lone page, whose collection is not known', html: '<p><a href="gone.html">Gone</a></p>', source: 'practice' },
];
