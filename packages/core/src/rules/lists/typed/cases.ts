import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'numbered paragraphs',
    html: '<p>1. Light the smoker</p><p>2. Lift the roof</p><p>3. Look</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'H48',
  },
  {
    shows: 'lines broken by br',
    html: '<p>1) Floor<br>2) Box<br>3) Roof</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'a lead-in before the typed lines',
    html: '<p>You need:<br>- a smoker<br>- a veil</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'bullets without a space behind them',
    html: '<p>•Floor</p><p>•Box</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'letters and Roman numbers',
    html: '<p>a) Floor</p><p>b) Box</p><hr><p>i. One</p><p>ii. Two</p>',
    at: ['/html[1]/body[1]/p[1]', '/html[1]/body[1]/p[3]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'an emoji for a bullet',
    html: '<div>🐝 Floor</div><div>🐝 Box</div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a list pasted from a word processor',
    html: '<p class="MsoListParagraph">·&nbsp;&nbsp; Floor</p><p class="MsoListParagraph">·&nbsp;&nbsp; Box</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a real list', html: '<ol><li>Light the smoker</li><li>Lift the roof</li></ol>', source: 'H48' },
  { shows: 'one line that begins with a number', html: '<p>1. May was cold that year.</p><p>The bees stayed in.</p>', source: 'practice' },
  { shows: 'numbers that are no sequence', html: '<p>12. The twelfth hive</p><p>40. The fortieth hive</p>', source: 'practice' },
  { shows: 'prices and years', html: '<p>1.50 for a jar<br>2.50 for two</p><p>1998 was wet<br>1999 was dry</p>', source: 'practice' },
  { shows: 'a line of verse broken by br', html: '<p>Bees in the clover,<br>bees in the thyme</p>', source: 'practice' },
  { shows: 'a hyphenated word at the start', html: '<p>-ing forms<br>-ed forms</p>', source: 'practice' },
];
