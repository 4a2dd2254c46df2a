import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  { shows: 'the word image', html: '<img src="a.png" alt="image">', at: ['/html[1]/body[1]/img[1]'], outcome: 'failed', source: 'F30' },
  { shows: 'a spacer', html: '<img src="a.gif" alt="Spacer">', at: ['/html[1]/body[1]/img[1]'], outcome: 'failed', source: 'F30' },
  {
    shows: 'a template’s own words',
    html: '<img src="a.gif" alt="Alt text here.">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'F30',
  },
  { shows: 'dots', html: '<img src="a.gif" alt="…">', at: ['/html[1]/body[1]/img[1]'], outcome: 'failed', source: 'F30' },
  {
    shows: 'a placeholder in another language',
    html: '<img src="a.gif" alt="Bild">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'F30',
  },
  {
    shows: 'a description that has the word in it',
    html: '<img src="a.png" alt="The image of a lock on an old coin">',
    source: 'practice',
  },
  { shows: 'an empty alternative', html: '<img src="a.png" alt="">', source: 'H37' },
  { shows: 'a sign that is the content', html: '<img src="plus.png" alt="+">', source: 'practice' },
];
