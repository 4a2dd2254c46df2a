import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a PDF behind plain words',
    html: '<p><a href="files/boats.pdf">Boat timetable</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'the kind in the link or right after it',
    html: '<p><a href="boats.pdf">Boat timetable (PDF)</a>, <a href="boats.xlsx">prices</a> (Excel, 20 KB)</p>',
    source: 'practice',
  },
  {
    shows: 'a page, and a host that ends like a file',
    html: '<p><a href="boats.html">Boats</a> <a href="https://larkmoor.zip">Larkmoor</a></p>',
    source: 'practice',
  },
];
