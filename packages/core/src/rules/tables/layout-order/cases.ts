import type { RuleCase } from '../../types.ts';

const TEXT = 'Here follows a longer text about it, with all that a visitor would want to know before coming.';

export const cases: RuleCase[] = [
  {
    shows: 'headings in one row and their texts in the next',
    html: `<table><tr><td><h3>Walks</h3></td><td><h3>Boats</h3></td></tr><tr><td><p>${TEXT}</p></td><td><p>${TEXT}</p></td></tr></table>`,
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'F49',
  },
  {
    shows: 'each heading with its text in one cell',
    html: `<table role="presentation"><tr><td><h3>Walks</h3><p>${TEXT}</p></td><td><h3>Boats</h3><p>${TEXT}</p></td></tr></table>`,
    source: 'F49',
  },
];
