import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an empty alternative with a title',
    html: '<p><img src="a.png" alt="" title="The lock"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F39',
  },
  {
    shows: 'role=presentation with an alternative',
    html: '<p><img src="a.png" role="presentation" alt="The lock"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F39',
  },
  {
    shows: 'decorative and in the tab order',
    html: '<p><img src="a.png" alt="" tabindex="0"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F39',
  },
  { shows: 'decorative and nothing else', html: '<p><img src="a.png" alt="" title=""> x</p>', source: 'H37' },
];
