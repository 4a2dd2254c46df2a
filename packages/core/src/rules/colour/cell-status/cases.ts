import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two cells with a colour and no words',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>Open</th></tr><tr><td>1</td><td bgcolor="#00aa00"></td></tr><tr><td>2</td><td bgcolor="#cc0000"></td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'F13',
  },
  {
    shows: 'one word, two colours',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>State</th></tr><tr><td>1</td><td bgcolor="#00aa00">seen</td></tr><tr><td>2</td><td bgcolor="#cc0000">seen</td></tr></table>',
    at: ['/html[1]/body[1]/table[1]'],
    outcome: 'cantTell',
    source: 'F13',
  },
  {
    shows: 'coloured cells with words of their own',
    html: '<table><caption>Locks</caption><tr><th>Lock</th><th>State</th></tr><tr><td>1</td><td bgcolor="#00aa00">open</td></tr><tr><td>2</td><td bgcolor="#cc0000">shut</td></tr></table>',
    source: 'F13',
  },
];
