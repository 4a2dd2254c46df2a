import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'paragraphs with a no-break space',
    html: '<p>One.</p><p>&nbsp;</p><p>&nbsp;</p><p>Two.</p>',
    at: ['/html[1]/body[1]/p[2]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'line breaks in a row',
    html: '<p>One.<br><br><br>Two.</p>',
    at: ['/html[1]/body[1]/p[1]/br[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'end tags of paragraphs that nothing opened, each of which makes one',
    html: '<p>One.</p><ul><li>Two.</li></ul></p></p><p>Three.</p>',
    at: ['/html[1]/body[1]/p[2]'],
    outcome: 'failed',
    source: 'HTML Living Standard, 13.2.6.4.7',
  },
  {
    shows: 'an empty box with an id, one break, and an image',
    html: '<div id="map"></div><p>One.<br>Two.</p><p><img src="a.png" alt="A lock"> x</p>',
    source: 'practice',
  },
];
