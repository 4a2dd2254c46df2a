import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'light grey on white',
    html: '<style>::placeholder { color: #bbb }</style><input aria-label="Lock" placeholder="Lock 4">',
    at: ['/html[1]/body[1]/input[1]'],
    outcome: 'failed',
    source: 'G18',
  },
  {
    shows: 'dark grey, and the browser’s own',
    html: '<style>.k::placeholder { color: #555 }</style><input class="k" aria-label="Lock" placeholder="Lock 4"><input aria-label="Day" placeholder="Monday">',
    source: 'G18',
  },
];
