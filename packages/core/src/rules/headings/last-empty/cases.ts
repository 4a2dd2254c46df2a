import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a heading right before one of its level',
    html: '<h2>Wax</h2><h2>Honey</h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a heading at the end',
    html: '<h2>Wax</h2><p>Text.</p><h2>Honey</h2>',
    at: ['/html[1]/body[1]/h2[2]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  { shows: 'a heading over deeper ones', html: '<h2>Wax</h2><h3>Combs</h3><p>Text.</p>', source: 'practice' },
  {
    shows: 'a heading over an image or loose text',
    html: '<h2>Wax</h2><img src="a.png" alt="A comb"><h2>Honey</h2>Loose text.',
    source: 'practice',
  },
  {
    shows: 'two of them',
    html: '<h2>Wax</h2><h2>Honey</h2>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
];
