import type { RuleCase } from '../../types.ts';

const LONG =
  'The keeper of the top lock writes a list of all the boats that passed on each day of the summer and hangs it up at the hut for everyone.';

export const cases: RuleCase[] = [
  {
    shows: 'a paragraph in bold throughout',
    html: `<p><strong>${LONG}</strong></p>`,
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'one stressed word', html: `<p>${LONG} <strong>Please read it.</strong></p>`, source: 'practice' },
];
