import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two sections of one name side by side',
    html: '<h2>Walks</h2><p>North.</p><h2>Walks</h2><p>South.</p>',
    at: ['/html[1]/body[1]/h2[2]'],
    outcome: 'failed',
    source: 'G130',
  },
  {
    shows: 'one name under different headings',
    html: '<h2>North</h2><h3>Walks</h3><p>One.</p><h2>South</h2><h3>Walks</h3><p>Two.</p>',
    source: 'G130',
  },
];
