import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a link inside what is hidden from listeners',
    html: '<div aria-hidden="true"><a href="x">Boats</a></div>',
    at: ['/html[1]/body[1]/div[1]/a[1]'],
    outcome: 'failed',
    source: 'F92',
  },
  {
    shows: 'a button marked as presentation',
    html: '<button role="presentation">Open</button>',
    at: ['/html[1]/body[1]/button[1]'],
    outcome: 'failed',
    source: 'F92',
  },
  {
    shows: 'out of the tab order, or hidden from all',
    html: '<div aria-hidden="true"><a href="x" tabindex="-1">Boats</a></div><div aria-hidden="true" hidden><a href="x">Boats</a></div>',
    source: 'F92',
  },
];
