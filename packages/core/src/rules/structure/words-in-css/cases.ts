import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a word before remarks',
    html: '<style>.k::before { content: "Warning: " }</style><p class="k">The gate is open.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'F87',
  },
  {
    shows: 'a sign and a number',
    html: '<style>li::before { content: "\\2022 " } a::after { content: " (" attr(href) ")" }</style><ul><li>One</li></ul><p><a href="boats.html">Boats</a></p>',
    source: 'F87',
  },
];
