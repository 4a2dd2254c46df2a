import type { RuleCase } from '../../types.ts';

const LONG =
  'The keeper of the top lock writes a list of all the boats that passed on each day of the summer and hangs it up at the hut, where everybody who comes by may read it and ask about it.';

export const cases: RuleCase[] = [
  {
    shows: 'a justified paragraph',
    html: `<p style="text-align:justify">${LONG}</p>`,
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F88',
  },
  {
    shows: 'centred by an old tag',
    html: `<center><p>${LONG}</p></center>`,
    at: ['/html[1]/body[1]/center[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'text that begins at one edge, and a short centred line',
    html: `<p>${LONG}</p><p style="text-align:center">The end of the summer</p>`,
    source: 'F88',
  },
];
