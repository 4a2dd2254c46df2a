import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'numbers typed into a numbered list',
    html: '<ol><li>1. Light the smoker</li><li>2. Open the hive</li></ol>',
    at: ['/html[1]/body[1]/ol[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'bullets typed into a list',
    html: '<ul><li>• Veil</li><li>• Gloves</li></ul>',
    at: ['/html[1]/body[1]/ul[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a list that shows no marker of its own',
    html: '<ol style="list-style:none"><li>1. Light the smoker</li><li>2. Open the hive</li></ol>',
    source: 'practice',
  },
  {
    shows: 'numbers that count something else',
    html: '<ul><li>1. FC Larkmoor</li><li>3. Division</li></ul><ol><li>10. May</li><li>11. May</li></ol>',
    source: 'practice',
  },
];
