import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'image of',
    html: '<img src="a.png" alt="Image of a frame">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a photo showing',
    html: '<img src="a.png" alt="A photo of two locks">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'another language',
    html: '<img src="a.png" alt="Foto von zwei Schleusen">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'an artwork’s medium',
    html: '<img src="a.png" alt="Oil painting of the old wharf"><img src="b.png" alt="Etching of a heron">',
    source: 'practice',
  },
  { shows: 'a kind of image that matters', html: '<img src="a.png" alt="Map of the towpath">', source: 'practice' },
  { shows: 'a word that only begins alike', html: '<img src="a.png" alt="Image offset printing press">', source: 'practice' },
];
