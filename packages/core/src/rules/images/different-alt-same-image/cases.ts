import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'one file, two descriptions',
    html: '<p><img src="a.png" alt="The top lock"> North. <img src="a.png" alt="Gates and a footbridge"> South.</p>',
    at: ['/html[1]/body[1]/p[1]/img[2]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'one file, once described and once decorative',
    html: '<p><img src="a.png" alt="The top lock"> North. <img src="a.png" alt=""> South.</p>',
    source: 'practice',
  },
];
