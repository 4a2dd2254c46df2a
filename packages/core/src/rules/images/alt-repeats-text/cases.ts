import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'the caption again',
    html: '<figure><img src="a.png" alt="The top lock"><figcaption>The top lock.</figcaption></figure>',
    at: ['/html[1]/body[1]/figure[1]/img[1]'],
    outcome: 'failed',
    source: 'H2',
  },
  {
    shows: 'the text of its link again',
    html: '<p><a href="x"><img src="a.png" alt="Boat trips"> Boat trips</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]/img[1]'],
    outcome: 'failed',
    source: 'H2',
  },
  {
    shows: 'the line beneath it again',
    html: '<div><img src="a.png" alt="Odile at the lock"><br>Odile at the lock</div>',
    at: ['/html[1]/body[1]/div[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a caption that says something else',
    html: '<figure><img src="a.png" alt="Two boats wait below the gates"><figcaption>The top lock in June</figcaption></figure>',
    source: 'H2',
  },
  {
    shows: 'an empty alternative beside the link’s text',
    html: '<p><a href="x"><img src="a.png" alt=""> Boat trips</a></p>',
    source: 'H2',
  },
];
