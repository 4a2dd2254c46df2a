import type { RuleCase } from '../../types.ts';

const html = '<html lang="en"><head><title>Larkmoor Canal Trust</title></head><body><main><h1>Locks</h1></main></body></html>';

export const cases: RuleCase[] = [
  {
    shows: 'a title another page has',
    html,
    surroundings: { pagesTitled: (title) => (title === 'Larkmoor Canal Trust' ? ['index.html'] : []) },
    at: ['/html[1]/head[1]/title[1]'],
    outcome: 'failed',
    source: 'G88',
  },
  {
    shows: 'a title of its own',
    html: html.replace('Larkmoor', 'Locks – Larkmoor'),
    surroundings: { pagesTitled: () => [] },
    source: 'G88',
  },
];
