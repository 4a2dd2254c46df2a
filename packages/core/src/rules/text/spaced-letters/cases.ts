import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a word with a space after each letter',
    html: '<p>W E L C O M E</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F32',
  },
  {
    shows: 'with no-break spaces, in a heading',
    html: '<h2>L&nbsp;O&nbsp;C&nbsp;K&nbsp;S</h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'F32',
  },
  { shows: 'letters that mean themselves', html: '<p>A B C D E F</p><p>Choose A, B or C.</p><p>x y x y x y</p>', source: 'practice' },
  { shows: 'wide letters by style', html: '<p style="letter-spacing:.3em">Welcome</p>', source: 'F32' },
];
