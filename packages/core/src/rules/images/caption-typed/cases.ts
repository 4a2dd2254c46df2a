import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a numbered line in the next paragraph',
    html: '<p><img src="a.png" alt="A lock gate"></p><p>Figure 1: The lower gate</p><p>Text.</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'numbers out of order',
    html: '<p><img src="a.png" alt="A gate"><br>Figure 2: The gate</p><p><img src="b.png" alt="A pound"><br>Figure 1: The pound</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]', '/html[1]/body[1]/p[2]/img[1]', '/html[1]/body[1]/p[2]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a figure with its caption',
    html: '<figure><img src="a.png" alt="A lock gate"><figcaption>Figure 1: The lower gate</figcaption></figure>',
    source: 'practice',
  },
];
