import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'bold by tag, told once for the page',
    html: '<p>The gate is <b>heavy</b> and the water <b>deep</b>.</p>',
    at: ['/html[1]/body[1]/p[1]/b[1]'],
    outcome: 'failed',
    source: 'H49',
  },
  { shows: 'italics by tag', html: '<p>Do <i>not</i> run.</p>', at: ['/html[1]/body[1]/p[1]/i[1]'], outcome: 'failed', source: 'H49' },
  { shows: 'strong and em', html: '<p>The gate is <strong>heavy</strong>; do <em>not</em> run.</p>', source: 'H49' },
  {
    shows: 'an icon and a foreign word',
    html: '<p><i class="icon"></i> The bee is <i lang="la">Apis mellifera</i>.</p>',
    source: 'HTML Living Standard, 4.5.25 The i element',
  },
  {
    shows: 'one bold word by tag',
    html: '<p>The gate is <b>heavy</b>.</p>',
    at: ['/html[1]/body[1]/p[1]/b[1]'],
    outcome: 'failed',
    source: 'H49',
  },
  {
    shows: 'several italic words by tag',
    html: '<p>Do <i>not</i> run, and <i>never</i> jump.</p>',
    at: ['/html[1]/body[1]/p[1]/i[1]'],
    outcome: 'failed',
    source: 'H49',
  },
];
