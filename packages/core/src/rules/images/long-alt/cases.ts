import type { RuleCase } from '../../types.ts';

const LONG =
  'A keeper in a white suit lifts the third frame of the upper box out of the hive, with the smoker standing on the roof beside her and two other students looking on';

export const cases: RuleCase[] = [
  {
    shows: 'an alternative of over 125 characters',
    html: `<p><img src="a.png" alt="${LONG}"> Week one.</p>`,
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'G95',
  },
  {
    shows: 'the gist, and the rest in the text',
    html: `<p><img src="a.png" alt="A keeper lifts a frame out of the hive"> Week one.</p><p>${LONG}</p>`,
    source: 'G95',
  },
];
