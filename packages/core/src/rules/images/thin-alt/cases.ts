import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'one generic word',
    html: '<p><img src="a.png" alt="Woman"> Odile, who keeps the lock.</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'F30',
  },
  { shows: 'one word that says something', html: '<p><img src="a.png" alt="Heron"> A guest.</p>', source: 'F30' },
  {
    shows: 'the mark in a link that leads home',
    html: '<p><a href="/"><img src="logo.svg" alt="Logo"> Canal Trust</a></p>',
    source: 'practice',
  },
];
