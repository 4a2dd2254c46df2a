import type { RuleCase } from '../../types.ts';

const LINKS = Array.from({ length: 9 }, (_none, i) => `<a href="p${i}.html">Page of lock ${i}</a> `).join('');
const page = (body: string) => `<html lang="en"><head><title>Locks</title></head><body>${body}</body></html>`;

export const cases: RuleCase[] = [
  {
    shows: 'many links and nothing to jump to',
    html: page(`<p>${LINKS}</p><p>Text.</p>`),
    at: ['/html[1]/body[1]'],
    outcome: 'failed',
    source: 'G1',
  },
  { shows: 'a skip link', html: page(`<p><a href="#c">Skip to content</a> ${LINKS}</p><p id="c">Text.</p>`), source: 'G1' },
  { shows: 'a heading', html: page(`<p>${LINKS}</p><h1>Locks</h1><p>Text.</p>`), source: 'H69' },
];
