import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'paragraphs with one small image each',
    html: '<p><img src="dot.gif" alt="" width="8"> Floor</p><p><img src="dot.gif" alt="" width="8"> Box</p><p><img src="dot.gif" alt="" width="8"> Roof</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'images that differ, and one that stands alone',
    html: '<p><img src="a.png" alt="Floor"> Floor</p><p><img src="b.png" alt="Box"> Box</p>',
    source: 'F2',
  },
];
