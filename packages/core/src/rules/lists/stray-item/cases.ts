import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'items with no list around them',
    html: '<div><li>Floor</li> <li>Box</li></div>',
    at: ['/html[1]/body[1]/div[1]/li[1]'],
    outcome: 'failed',
    source: 'H48',
  },
  {
    shows: 'two runs with text between',
    html: '<li>Floor</li><p>and</p><li>Roof</li>',
    at: ['/html[1]/body[1]/li[1]', '/html[1]/body[1]/li[2]'],
    outcome: 'failed',
    source: 'H48',
  },
  {
    shows: 'a term outside its list',
    html: '<dt>Drone</dt><dd>A male bee</dd>',
    at: ['/html[1]/body[1]/dt[1]'],
    outcome: 'failed',
    source: 'H40',
  },
  {
    shows: 'items in their lists',
    html: '<ul><li>Floor</li></ul><menu><li>Box</li></menu><dl><dt>Drone</dt><dd>A male bee</dd></dl>',
    source: 'H48',
  },
  { shows: 'a description list grouped by div', html: '<dl><div><dt>Drone</dt><dd>A male bee</dd></div></dl>', source: 'H40' },
  { shows: 'a parent that ARIA makes a list', html: '<div role="list"><li>Floor</li></div>', source: 'practice' },
  { shows: 'an item with another role', html: '<div role="tablist"><li role="tab">Spring</li></div>', source: 'practice' },
];
