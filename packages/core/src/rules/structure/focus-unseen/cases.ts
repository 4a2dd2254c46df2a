import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'the line taken away from all that has focus',
    html: '<style>a:focus { outline: none; color: inherit }</style><p><a href="x">Boats</a></p>',
    at: ['/html[1]/head[1]/style[1]'],
    outcome: 'cantTell',
    source: 'F78',
  },
  {
    shows: 'on one link',
    html: '<p><a href="x" style="outline:0">Boats</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'cantTell',
    source: 'F78',
  },
  {
    shows: 'another sign in its place',
    html: '<style>a:focus { outline: none; box-shadow: 0 0 0 3px #05a }</style><p><a href="x">Boats</a></p>',
    source: 'F78',
  },
];
