import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'tabs of which none is chosen',
    html: '<div role="tablist"><button role="tab">Walks</button><button role="tab">Boats</button></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'WAI-ARIA 1.2, tab',
  },
  {
    shows: 'a panel without a name',
    html: '<div role="tabpanel"><p>Text.</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'WAI-ARIA 1.2, tabpanel',
  },
  {
    shows: 'a fold without a summary',
    html: '<details><p>Text.</p></details>',
    at: ['/html[1]/body[1]/details[1]'],
    outcome: 'failed',
    source: 'HTML Living Standard, 4.11.1',
  },
  {
    shows: 'a heading that says it is folded',
    html: '<h2 aria-expanded="false">Walks</h2><p>Text.</p>',
    at: ['/html[1]/body[1]/h2[1]'],
    outcome: 'failed',
    source: 'WAI-ARIA 1.2, aria-expanded',
  },
  {
    shows: 'tabs and folds that are tied',
    html: '<div role="tablist"><button role="tab" id="t" aria-selected="true" aria-controls="p">Walks</button></div><div role="tabpanel" id="p" aria-labelledby="t"><p>Text.</p></div><details><summary>More on walks</summary><p>Text.</p></details><h2><button aria-expanded="false">Boats</button></h2><p>Text.</p>',
    source: 'WAI-ARIA 1.2',
  },
  {
    shows: 'a tab on its own',
    html: '<p><button role="tab" aria-selected="true">Walks</button></p>',
    at: ['/html[1]/body[1]/p[1]/button[1]'],
    outcome: 'failed',
    source: 'WAI-ARIA 1.2, tab',
  },
  {
    shows: 'a list of tabs without any',
    html: '<div role="tablist"><p>Walks</p></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'WAI-ARIA 1.2, tablist',
  },
];
