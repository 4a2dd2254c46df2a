import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a sentence in capitals',
    html: '<p>PLEASE DO NOT FEED THE SWANS AT THE TOP LOCK</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'capitals by style',
    html: '<p style="text-transform:uppercase">Please do not feed the swans at the top lock</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a short line, and capitals in part',
    html: '<p>NO ENTRY</p><p>The LCT, the RBA and the UKB met at the TOP LOCK on Tuesday.</p>',
    source: 'practice',
  },
];
