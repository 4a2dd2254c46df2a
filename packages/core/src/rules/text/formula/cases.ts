import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'raw code in a sentence',
    html: '<p>The depth is $$d = a \\sqrt b$$ at noon.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'an image whose words are code',
    html: '<p><img src="f.png" alt="\\sqrt x"> at noon</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a price, a path and code',
    html: '<p>It costs $5 and $6; see C:\\locks. <code>\\frac{a}{b}</code></p>',
    source: 'practice',
  },
];
