import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a remark in a quotation’s frame',
    html: '<blockquote><p>Note: the lock is closed on Tuesday.</p></blockquote>',
    at: ['/html[1]/body[1]/blockquote[1]'],
    outcome: 'cantTell',
    source: 'H49',
  },
  { shows: 'a quotation', html: '<blockquote><p>Never open the hive in the rain.</p></blockquote>', source: 'H49' },
  {
    shows: 'a single word in a quotation’s frame',
    html: '<blockquote><p>Sunday hours</p></blockquote>',
    at: ['/html[1]/body[1]/blockquote[1]'],
    outcome: 'cantTell',
    source: 'H49',
  },
];
