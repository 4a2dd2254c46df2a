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
    shows: 'an empty box with an id, one break, and an image',
    html: '<div id="map"></div><p>One.<br>Two.</p><p><img src="a.png" alt="A lock"> x</p>',
    source: 'practice',
  },
];
