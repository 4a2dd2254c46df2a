import type { RuleCase } from '../../types.ts';

// Ratios on white after WCAG 2.2's formula: #777777 4.48, #767676 4.54, #949494 3.03.
export const cases: RuleCase[] = [
  {
    shows: '#777777 on white',
    html: '<p style="color:#777777">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'G18',
  },
  {
    shows: 'grey set by a style sheet',
    html: '<style>.note{color:#999;background:#fff}</style><p class="note">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'G18',
  },
  {
    shows: 'half clear text',
    html: '<p style="opacity:.5">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'G18',
  },
  { shows: '#767676 on white passes', html: '<p style="color:#767676">The lock is closed.</p>', source: 'G18' },
  {
    shows: 'large text at 3 to 1',
    html: '<h2 style="color:#949494;font-size:24px">The lock is closed.</h2><p style="color:#949494;font-size:14pt;font-weight:bold">Closed.</p>',
    source: 'G145',
  },
  {
    shows: 'an image behind it is another note’s matter',
    html: '<p style="color:#777;background-image:url(a.png)">The lock is closed.</p>',
    source: 'G18',
  },
  {
    shows: 'hidden text, signs only, and a button that cannot be used',
    html: '<p style="color:#777" hidden>Closed.</p><p style="color:#ccc">· · ·</p><button disabled style="color:#999">Open</button>',
    source: 'WCAG 2.2, 1.4.3: incidental text',
  },
];
