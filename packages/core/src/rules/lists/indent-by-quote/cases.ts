import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a heading and a list inside quote markup',
    html: '<blockquote><h3>Tools</h3><ul><li>Veil</li><li>Gloves</li></ul></blockquote>',
    at: ['/html[1]/body[1]/blockquote[1]'],
    outcome: 'cantTell',
    source: 'F43',
  },
  {
    shows: 'descriptions without terms',
    html: '<dl><dd>Text that stands in from the side.</dd></dl>',
    at: ['/html[1]/body[1]/dl[1]'],
    outcome: 'cantTell',
    source: 'F43',
  },
  { shows: 'a quotation', html: '<blockquote><p>Never open the hive in the rain.</p></blockquote>', source: 'H49' },
  {
    shows: 'a quotation with its source and a list in it',
    html: '<blockquote cite="https://larkmoor.example/"><p>Bring:</p><ul><li>a veil</li><li>gloves</li></ul></blockquote>',
    source: 'H49',
  },
  {
    shows: 'two quotations of tables',
    html: '<blockquote><pre>a</pre></blockquote><p>x</p><blockquote><pre>b</pre></blockquote>',
    at: ['/html[1]/body[1]/blockquote[1]'],
    outcome: 'cantTell',
    source: 'F43',
  },
  {
    shows: 'two description lists without terms',
    html: '<dl><dd>Text.</dd></dl><p>x</p><dl><dd>More.</dd></dl>',
    at: ['/html[1]/body[1]/dl[1]'],
    outcome: 'cantTell',
    source: 'F43',
  },
];
