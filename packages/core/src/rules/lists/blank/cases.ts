import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  { shows: 'a list without items', html: '<p>Bring:</p><ul></ul>', at: ['/html[1]/body[1]/ul[1]'], outcome: 'failed', source: 'H48' },
  {
    shows: 'an item with a no-break space',
    html: '<ul><li>Veil</li><li>&nbsp;</li></ul>',
    at: ['/html[1]/body[1]/ul[1]/li[2]'],
    outcome: 'failed',
    source: 'H48',
  },
  {
    shows: 'an item that holds an image or a field',
    html: '<ul><li><img src="a.png" alt="A veil"></li><li><input aria-label="Other"></li></ul>',
    source: 'H48',
  },
];
