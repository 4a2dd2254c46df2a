import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a dark blue link without a line in black text',
    html: '<style>a{text-decoration:none;color:#003}</style><p>The lock keeper has a <a href="x">list of moorings</a> at the hut.</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F73',
  },
  {
    shows: 'a link with its line',
    html: '<p style="color:#001">The lock keeper has a <a href="x">list of moorings</a> at the hut.</p>',
    source: 'F73',
  },
  {
    shows: 'a colour that stands out by 3 to 1',
    html: '<style>a{text-decoration:none;color:#36f}</style><p>The lock keeper has a <a href="x">list of moorings</a> at the hut.</p>',
    source: 'G183',
  },
  {
    shows: 'bold links, and links that are no running text',
    html: '<style>a{text-decoration:none;color:#003} b a, p a{font-weight:bold}</style><p>The lock keeper has a <a href="x">list of moorings</a> at the hut.</p><ul><li><a href="y">Moorings</a></li></ul>',
    source: 'F73',
  },
  {
    shows: 'a menu',
    html: '<style>a{text-decoration:none;color:#003}</style><nav><p>Go to the pages on <a href="x">moorings</a> and more</p></nav>',
    source: 'practice',
  },
  {
    shows: 'two links of one pair of colours',
    html: '<style>a{text-decoration:none;color:#003}</style><p>The lock keeper has a <a href="x">list of moorings</a> at the hut, and a <a href="y">map of the walks</a> too.</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F73',
  },
];
