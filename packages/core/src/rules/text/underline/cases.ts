import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an underline by tag',
    html: '<p>Bring a <u>veil</u>.</p>',
    at: ['/html[1]/body[1]/p[1]/u[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'an underline by style',
    html: '<p>Bring a <span style="text-decoration:underline">veil</span>.</p>',
    at: ['/html[1]/body[1]/p[1]/span[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'links, insertions and abbreviations',
    html: '<p><a href="x">Veils</a>, <a href="y"><u>gloves</u></a>, <ins>added</ins>, <abbr title="Larkmoor Canal Trust">LCT</abbr></p>',
    source: 'practice',
  },
];
