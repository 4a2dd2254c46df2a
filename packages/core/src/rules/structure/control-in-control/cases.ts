import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a field in a button',
    html: '<button>Search <input type="text" aria-label="Words"></button>',
    at: ['/html[1]/body[1]/button[1]/input[1]'],
    outcome: 'failed',
    source: 'F92',
  },
  {
    shows: 'a button in a link',
    html: '<a href="boats.html">Boats <span role="button" tabindex="0">Close</span></a>',
    at: ['/html[1]/body[1]/a[1]/span[1]'],
    outcome: 'failed',
    source: 'F92',
  },
  {
    shows: 'images and text in controls',
    html: '<button><img src="a.png" alt=""> Search</button><a href="boats.html"><b>Boats</b></a>',
    source: 'F92',
  },
];
