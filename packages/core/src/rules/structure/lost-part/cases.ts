import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an option outside a list of choices',
    html: '<div><span role="option" aria-selected="true">Lock 4</span></div>',
    at: ['/html[1]/body[1]/div[1]/span[1]'],
    outcome: 'failed',
    source: 'ARIA4',
  },
  {
    shows: 'a cell outside a row',
    html: '<div role="table" aria-label="Locks"><div role="cell">4</div></div>',
    at: ['/html[1]/body[1]/div[1]', '/html[1]/body[1]/div[1]/div[1]'],
    outcome: 'failed',
    source: 'ARIA4',
  },
  {
    shows: 'a list with no item',
    html: '<div role="list"><p>Lock 4</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'ARIA4',
  },
  {
    shows: 'parts in their wholes',
    html: '<div role="list"><div><div role="listitem">Lock 4</div></div></div><div role="listbox" aria-label="Locks"><div role="group"><div role="option">4</div></div></div>',
    source: 'ARIA4',
  },
  {
    shows: 'a part that is owned from elsewhere',
    html: '<div role="tree" aria-label="Locks" aria-owns="four"></div><div role="treeitem" id="four">Lock 4</div>',
    source: 'ARIA4',
  },
];
