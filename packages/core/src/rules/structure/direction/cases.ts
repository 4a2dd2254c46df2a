import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'Arabic with no direction',
    html: '<p lang="ar">البوابة مغلقة حتى شهر مايو</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'H56',
  },
  {
    shows: 'English marked as the reverse',
    html: '<p dir="rtl">The lock is closed until the end of May.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'H56',
  },
  {
    shows: 'Hebrew that says so, and a word in a sentence',
    html: '<p dir="rtl" lang="he">השער סגור עד מאי</p><p>The word שער means gate, as every keeper knows.</p>',
    source: 'H56',
  },
];
