import type { RuleCase } from '../../types.ts';

const page = (title: string) => `<html lang="en"><head><title>${title}</title></head><body><main><h1>Locks</h1></main></body></html>`;

export const cases: RuleCase[] = [
  { shows: 'a tool’s own title', html: page('Untitled Document'), at: ['/html[1]/head[1]/title[1]'], outcome: 'failed', source: 'F25' },
  { shows: 'a file name', html: page('locks_final2.html'), at: ['/html[1]/head[1]/title[1]'], outcome: 'failed', source: 'F25' },
  { shows: 'a title that tells', html: page('Locks and walks – Larkmoor Canal Trust'), source: 'G88' },
];
