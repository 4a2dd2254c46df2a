import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'columns held apart by no-break spaces',
    html: '<p>Lock&nbsp;&nbsp;&nbsp;&nbsp;Depth<br>One&nbsp;&nbsp;&nbsp;&nbsp;&nbsp;2 m<br>Two&nbsp;&nbsp;&nbsp;&nbsp;&nbsp;3 m</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F34',
  },
  {
    shows: 'columns in preformatted text are a question',
    html: '<pre>Lock      Depth     Width\nOne       2 m       5 m\nTwo       3 m       5 m</pre>',
    at: ['/html[1]/body[1]/pre[1]'],
    outcome: 'cantTell',
    source: 'F48',
  },
  {
    shows: 'a program',
    html: '<pre>function open(hive) {\n    const lid = hive.lid;\n    return lid.lift();\n}</pre>',
    source: 'practice',
  },
  { shows: 'an address with line breaks', html: '<p>Larkmoor Canal Trust<br>Lock House<br>Wharf Lane</p>', source: 'practice' },
  {
    shows: 'what a program prints of one thing',
    html: '<p>package:&nbsp;&nbsp;gate<br>category:&nbsp;&nbsp;lock<br>revision:&nbsp;&nbsp;12</p>',
    source: 'practice',
  },
];
