import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/p[1]/a[1]'];

export const cases: RuleCase[] = [
  {
    shows: 'a script in place of an address',
    html: '<p><a href="javascript:show()">Opening hours</a></p>',
    at,
    outcome: 'failed',
    source: 'F42',
  },
  { shows: 'a bare hash', html: '<p><a href="#">Opening hours</a></p>', at, outcome: 'failed', source: 'F59' },
  { shows: 'an empty address', html: '<p><a href="">Opening hours</a></p>', at, outcome: 'failed', source: 'F59' },
  { shows: 'the way back to the top', html: '<p><a href="#">Back to top</a></p>', source: 'practice' },
  {
    shows: 'an anchor, and a placeholder without attributes',
    html: '<p><a name="hours">Opening hours</a> <a>Here you are</a></p>',
    source: 'HTML Living Standard, 4.5.1: an a element with no href is a placeholder',
  },
  { shows: 'a button', html: '<p><a href="#" role="button">Show hours</a></p>', source: 'practice' },
  {
    shows: 'a link that is only called one',
    html: '<p><a role="link" tabindex="0">Hours</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F42',
  },
];
