import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a bee of characters',
    html: '<pre>\n  \\   /\n (=(:)=)\n  /---\\\n  \\___/\n</pre>',
    at: ['/html[1]/body[1]/pre[1]'],
    outcome: 'cantTell',
    source: 'F72',
  },
  { shows: 'a bee with a name', html: '<pre role="img" aria-label="A bee">\n  \\   /\n (=(:)=)\n  /---\\\n</pre>', source: 'H86' },
  { shows: 'a program', html: '<pre>for (const hive of hives) {\n  open(hive);\n  look(hive);\n}</pre>', source: 'practice' },
];
