import type { RuleCase } from '../../types.ts';

const page = (body: string) => `<html lang="en"><head><title>Locks</title></head><body>${body}</body></html>`;

export const cases: RuleCase[] = [
  {
    shows: 'two menus without names',
    html: page('<nav><a href="a">Home page</a></nav><main><h1>Locks</h1></main><nav><a href="b">Sitemap</a></nav>'),
    at: ['/html[1]/body[1]/nav[1]', '/html[1]/body[1]/nav[2]'],
    outcome: 'failed',
    source: 'ARIA11',
  },
  {
    shows: 'two mains',
    html: page('<main><h1>Locks</h1></main><div role="main"><p>More.</p></div>'),
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'HTML Living Standard, 4.4.14',
  },
  {
    shows: 'content outside',
    html: page('<main><h1>Locks</h1></main><div><p>The keeper of the top lock writes a list of all the boats of the summer.</p></div>'),
    at: ['/html[1]/body[1]/div[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'named menus and all content inside',
    html: page(
      '<header><p>Larkmoor</p></header><nav aria-label="Main"><a href="a">Home page</a></nav><main><h1>Locks</h1></main><nav aria-label="Foot"><a href="b">Sitemap</a></nav>',
    ),
    source: 'ARIA11',
  },
];
