import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  { shows: 'a placeholder', html: '<h2>Untitled</h2><p>Text.</p>', at: ['/html[1]/body[1]/h2[1]'], outcome: 'failed', source: 'G130' },
  {
    shows: 'a placeholder with a number',
    html: '<h2>Heading 1</h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'G130',
  },
  { shows: 'a bare number', html: '<h2>3.</h2><p>Text.</p>', at: ['/html[1]/body[1]/h2[1]'], outcome: 'failed', source: 'G130' },
  { shows: 'a year', html: '<h2>2025</h2><p>Text.</p>', source: 'practice' },
  { shows: 'a numbered chapter', html: '<h2>Chapter 3</h2><p>Text.</p>', source: 'practice' },
  { shows: 'a word that says what follows', html: '<h2>More about wax</h2><p>Text.</p><h2>Contents</h2><p>Text.</p>', source: 'G130' },
];
