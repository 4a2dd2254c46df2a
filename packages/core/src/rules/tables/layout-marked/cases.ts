import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'headers in a table of presentation',
    html: '<table role="presentation"><tr><th>Walks</th><td>Text of the walks.</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F46',
  },
  {
    shows: 'a summary on one',
    html: '<table role="presentation" summary="Layout"><tr><td>Walks</td><td>Text of the walks.</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'failed',
    source: 'F46',
  },
  {
    shows: 'a table of presentation without marks',
    html: '<table role="presentation" summary=""><tr><td>Walks</td><td>Text of the walks.</td></tr></table>',
    source: 'F46',
  },
];
