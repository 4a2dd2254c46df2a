import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a fragment that begins at level 3',
    html: '<h3>Floor</h3><p>Text.</p>',
    at: ['/html[1]/body[1]/h3[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a document that begins at level 4',
    html: '<html lang="en"><body><h4>Floor</h4><h2>Roof</h2></body></html>',
    at: ['/html[1]/body[1]/h4[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'a fragment that begins at level 2', html: '<h2>Floor</h2><h3>Mesh</h3>', source: 'practice' },
  {
    shows: 'a document whose navigation heading comes before its title',
    html: '<html lang="en"><body><nav><h2>Menu</h2></nav><main><h1>Floor</h1></main></body></html>',
    source: 'practice',
  },
  { shows: 'a page with no headings', html: '<p>Text.</p>', source: 'practice' },
];
