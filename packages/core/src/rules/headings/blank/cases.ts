import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a heading with nothing in it',
    html: '<h2></h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'H42',
  },
  {
    shows: 'a heading of spaces and no-break spaces',
    html: '<h3> &nbsp; </h3>',
    at: ['/html[1]/body[1]/h3[1]'],
    outcome: 'failed',
    source: 'H42',
  },
  {
    shows: 'a heading that holds only an image with an empty alternative',
    html: '<h2><img src="a.png" alt=""></h2>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'H42',
  },
  {
    shows: 'an empty role=heading',
    html: '<div role="heading" aria-level="2"></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'H42',
  },
  { shows: 'a heading named by the image in it', html: '<h2><img src="a.png" alt="Spring work"></h2>', source: 'H42' },
  { shows: 'a heading named by aria-label', html: '<h2 aria-label="Spring work"></h2>', source: 'H42' },
  {
    shows: 'an empty heading nobody meets',
    html: '<h2 hidden></h2><h2 style="display:none"></h2><div aria-hidden="true"><h2></h2></div>',
    source: 'practice',
  },
  { shows: 'an h2 whose role takes the heading away', html: '<h2 role="presentation"></h2>', source: 'practice' },
];
