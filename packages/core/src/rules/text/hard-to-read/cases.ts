import type { RuleCase } from '../../types.ts';

const HARD =
  'Notwithstanding the considerable administrative difficulties associated with interdepartmental coordination, the organisational committee responsible for environmental infrastructure has nevertheless demonstrated extraordinary determination in implementing comprehensive modernisation programmes throughout the navigational authority’s jurisdiction. ';
const PLAIN =
  'The keeper opens the gate at dawn. Then the boats come in one by one. The water goes down and the boats go with it. At noon she has her tea. The gate is shut at dusk. ';

export const cases: RuleCase[] = [
  {
    shows: 'long sentences of long words',
    html: `<p lang="en">${HARD.repeat(4)}</p>`,
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'G153',
  },
  { shows: 'plain text', html: `<p lang="en">${PLAIN.repeat(4)}</p>`, source: 'G153' },
  { shows: 'a language whose formula is not known here', html: `<p lang="pl">${HARD.repeat(3)}</p>`, source: 'practice' },
];
