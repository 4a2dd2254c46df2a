import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a heading marked as presentation',
    html: '<h2 role="presentation">Locks</h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'F92',
  },
  {
    shows: 'a link marked as nothing',
    html: '<p><a href="x" role="none">Boats</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F92',
  },
  {
    shows: 'a table of layout and an ornament',
    html: '<table role="presentation"><tr><td>a</td></tr></table><img src="a.png" alt="" role="presentation">',
    source: 'F92',
  },
];
