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
    shows: 'what opens details, what can be written in, and a player with controls',
    html: '<div aria-hidden="true"><details><summary>Tides</summary><p>Low</p></details><p contenteditable>Note</p><video controls src="v.mp4"></video></div>',
    at: ['/html[1]/body[1]/div[1]/details[1]/summary[1]', '/html[1]/body[1]/div[1]/p[1]', '/html[1]/body[1]/div[1]/video[1]'],
    outcome: 'failed',
    source: 'HTML Living Standard, 6.6.2 (focusable areas)',
  },
  {
    shows: 'a summary outside of details, a player without controls, and what is not to be written in',
    html: '<div aria-hidden="true"><summary>Tides</summary><p contenteditable="false">Note</p><video src="v.mp4"></video></div>',
    source: 'HTML Living Standard, 6.6.2 (focusable areas)',
  },
  {
    shows: 'out of the tab order, or hidden from all',
    html: '<div aria-hidden="true"><a href="x" tabindex="-1">Boats</a></div><div aria-hidden="true" hidden><a href="x">Boats</a></div>',
    source: 'F92',
  },
];
