import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a document embedded without a word',
    html: '<object data="plan.pdf" type="application/pdf"></object>',
    at: ['/html[1]/body[1]/object[1]'],
    outcome: 'failed',
    source: 'H53',
  },
  {
    shows: 'an embed without a title',
    html: '<embed src="tour.pdf">',
    at: ['/html[1]/body[1]/embed[1]'],
    outcome: 'failed',
    source: 'H53',
  },
  {
    shows: 'words in its place, and a name',
    html: '<object data="plan.pdf"><p><a href="plan.pdf">Plan of the lock (PDF)</a></p></object><embed src="tour.pdf" title="Tour of the locks">',
    source: 'H53',
  },
];
