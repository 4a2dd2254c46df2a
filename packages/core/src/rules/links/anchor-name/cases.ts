import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a space',
    html: '<p><a href="#lock%20four">Lock 4</a></p><h2 id="lock four">Lock 4</h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a digit first',
    html: '<p><a name="4locks"></a>Locks</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'one name twice',
    html: '<p><a href="#locks">Locks</a></p><h2 id="locks">Locks</h2><p id="locks">Text.</p>',
    at: ['/html[1]/body[1]/p[2]'],
    outcome: 'failed',
    source: 'H93',
  },
  {
    shows: 'a good name, and an id no link needs',
    html: '<p><a href="#locks">Locks</a></p><h2 id="locks">Locks</h2><p id="4th">Text.</p>',
    source: 'H93',
  },
  {
    shows: 'an anchor left open, of which the parser makes a copy in each paragraph that follows',
    html: '<p><a name="locks">Locks</p><p>Text.</p><p>More.</p>',
    source: 'HTML Living Standard, 13.2.4.3',
  },
  { shows: 'an old anchor with one name in both ways', html: '<p><a id="locks" name="locks"></a>Locks</p>', source: 'H93' },
];
