import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an anchor that is not there',
    html: '<html lang="en"><head><title>Locks</title></head><body><main><h1>Locks</h1><p><a href="#prices">Prices</a></p></main></body></html>',
    at: ['/html[1]/body[1]/main[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'in a fragment it may be the platform’s',
    html: '<p><a href="#prices">Prices</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'an id, a name, an encoded one, and the top',
    html: '<p id="a b"><a href="#c">C</a> <a href="#a%20b">A</a> <a href="#top">Up</a> <a name="c">C</a></p>',
    source: 'HTML Living Standard, "select the indicated part"',
  },
  {
    shows: 'an anchor that another page does not have',
    html: '<p><a href="locks.html#prices">Prices</a></p>',
    surroundings: { anchorsIn: () => new Set(['hours']) },
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
];
