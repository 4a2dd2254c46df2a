import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a dialog with no name',
    html: '<div role="dialog"><p>Are you sure?</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'ARIA16',
  },
  {
    shows: 'a meter and a custom checkbox',
    html: '<meter value="3" max="4"></meter><span role="checkbox" aria-checked="false" tabindex="0"></span>',
    at: ['/html[1]/body[1]/meter[1]', '/html[1]/body[1]/span[1]'],
    outcome: 'failed',
    source: 'ARIA16',
  },
  {
    shows: 'named by a heading and by what they hold',
    html: '<div role="dialog" aria-labelledby="q"><h2 id="q">Leave?</h2></div><span role="checkbox" aria-checked="false" tabindex="0">Dry floor</span>',
    source: 'ARIA16',
  },
];
