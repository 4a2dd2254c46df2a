import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a heading over an image',
    html: '<div style="background-image:url(lock.jpg)"><h2 style="color:#fff">Larkmoor</h2><p style="background:#fff;color:#000">Text.</p></div>',
    at: ['/html[1]/body[1]/div[1]/h2[1]'],
    outcome: 'cantTell',
    source: 'G18',
  },
  {
    shows: 'a gradient',
    html: '<p style="background:linear-gradient(#fff,#000)">Text.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'G18',
  },
  { shows: 'a plain ground', html: '<p style="background:#eee">Text.</p>', source: 'G18' },
];
