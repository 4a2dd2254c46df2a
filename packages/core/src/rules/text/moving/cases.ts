import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a running line',
    html: '<marquee>The lock is closed.</marquee>',
    at: ['/html[1]/body[1]/marquee[1]'],
    outcome: 'failed',
    source: 'F16',
  },
  {
    shows: 'a blinking word',
    html: '<p>The lock is <blink>closed</blink>.</p>',
    at: ['/html[1]/body[1]/p[1]/blink[1]'],
    outcome: 'failed',
    source: 'F47',
  },
  { shows: 'text that stands still', html: '<p>The lock is <strong>closed</strong>.</p>', source: 'F47' },
];
