import type { RuleCase } from '../../types.ts';

const LONG = Array.from(
  { length: 12 },
  () => `<p>${'The keeper looks at every frame in turn and writes down what was seen there. '.repeat(2)}</p>`,
).join('');

export const cases: RuleCase[] = [
  {
    shows: 'more than 300 words in a row',
    html: `<h2>Spring</h2>${LONG}`,
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'G141',
  },
  {
    shows: 'two long stretches',
    html: `<h2>Spring</h2>${LONG}<h2>Autumn</h2>${LONG}`,
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'G141',
  },
  {
    shows: 'the same text under headings',
    html: `<h2>Spring</h2>${'<p>The keeper looks at every frame.</p>'.repeat(8)}<h3>Frames</h3>${'<p>The keeper looks at every frame.</p>'.repeat(8)}`,
    source: 'G141',
  },
  { shows: 'a short page with no heading', html: '<p>The lock is closed on Tuesday.</p>', source: 'practice' },
];
