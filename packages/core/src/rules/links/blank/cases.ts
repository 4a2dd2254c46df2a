import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a link with nothing in it',
    html: '<p><a href="spring.html"></a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F89',
  },
  {
    shows: 'a link around an image with an empty alternative',
    html: '<a href="spring.html"><img src="bee.png" alt=""></a>',
    at: ['/html[1]/body[1]/a[1]'],
    outcome: 'failed',
    source: 'F89',
  },
  {
    shows: 'a link whose text is hidden',
    html: '<a href="x.html"><span hidden>Spring</span></a>',
    at: ['/html[1]/body[1]/a[1]'],
    outcome: 'failed',
    source: 'F89',
  },
  { shows: 'a link named by its image', html: '<a href="spring.html"><img src="bee.png" alt="Spring work"></a>', source: 'F89' },
  { shows: 'a link named by aria-label', html: '<a href="spring.html" aria-label="Spring work"></a>', source: 'F89' },
  { shows: 'an anchor that leads nowhere is no link', html: '<a id="top"></a><a name="part"></a>', source: 'practice' },
  { shows: 'a link named by the title of its drawing', html: '<a href="x.html"><svg><title>Home</title></svg></a>', source: 'practice' },
];
