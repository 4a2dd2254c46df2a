import type { RuleCase } from '../../types.ts';

const WORDS = 'I have kept this lock for thirty years and never seen the water stand so high in May.';

export const cases: RuleCase[] = [
  { shows: 'a paragraph in quotation marks', html: `<p>“${WORDS}”</p>`, at: ['/html[1]/body[1]/p[1]'], outcome: 'cantTell', source: 'H49' },
  { shows: 'a marked quotation', html: `<blockquote><p>“${WORDS}”</p></blockquote>`, source: 'H49' },
  {
    shows: 'a quoted word',
    html: '<p>“Lock” is what we call the chamber and its gates, and the keeper’s house as well.</p>',
    source: 'practice',
  },
];
