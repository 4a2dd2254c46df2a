import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'three steps with remarks between',
    html: '<p>1. Lift the roof.</p><p>Do it slowly.</p><p>2. Look at the frames.</p><p>They may be heavy.</p><p>3. Close the hive.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'H48',
  },
  {
    shows: 'a year and a count',
    html: '<p>1. May was cold.</p><p>Then it rained.</p><p>40. The last hive.</p>',
    source: 'H48',
  },
];
