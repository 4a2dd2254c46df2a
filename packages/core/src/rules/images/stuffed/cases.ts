import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'words for search',
    html: '<p><img src="a.png" alt="narrowboat, canal, lock, boat hire, cheap boats, canal holiday"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'one word over and over',
    html: '<p><img src="a.png" alt="boat hire boat trips boat rental cheap boat"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a list that describes',
    html: '<p><img src="a.png" alt="A smoker, a veil, a pair of gloves and a hive tool on a bench"> x</p>',
    source: 'practice',
  },
];
