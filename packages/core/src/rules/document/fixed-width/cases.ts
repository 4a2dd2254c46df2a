import type { RuleCase } from '../../types.ts';

const TEXT = '<p>The keeper of the top lock writes a list of all the boats.</p>';

export const cases: RuleCase[] = [
  {
    shows: 'a box of 800 pixels',
    html: `<div style="width:800px">${TEXT}</div>`,
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'cantTell',
    source: 'C31',
  },
  {
    shows: 'a largest width',
    html: `<div style="max-width:800px">${TEXT}</div><div style="width:800px;max-width:100%">${TEXT}</div><div style="width:50%">${TEXT}</div>`,
    source: 'C31',
  },
];
