import { reportHtml, type ReportSaid } from '../index.ts';

const page = (nth: number): ReportSaid['pages'][number] => ({
  ...{ slug: `page-${nth}`, address: `unit/page-${nth}.html`, title: `Lesson ${nth}`, revision: 1, verdict: 'ready', release: 'draft' },
  ...{ must: 0, should: 0, consider: 0, questions: 0, signed: null, looks: [], chosen: null, because: null },
});

const report = (pages: number): ReportSaid => ({
  ...{ subject: { kind: 'collection', title: 'Bees & wax', slug: 'bees', address: null, pages }, house: 'Larkmoor College' },
  ...{ made: { at: '2026-11-26T10:00:00Z', by: 'Ines Calder' }, engines: ['1'], audited: { from: null, to: null } },
  ...{ standard: { name: 'WCAG 2.2', level: 'AA' }, profiles: [], contentTypes: [], present: { links: 0, images: 0, media: 0, tables: 0 } },
  ...{ sample: null, criteria: [], hours: { from: 0, to: 0 }, exceptions: [] },
  totals: { must: 0, should: 0, consider: 0, questions: 0, excepted: 0, elsewhere: 0, fixed: 0, ruled: 0 },
  ...{ verdicts: { held: 0, judge: 0, ready: pages }, releases: { signed: 0, published: 0, lapsed: 0 } },
  pages: Array.from({ length: pages }, (_, nth) => page(nth + 1)),
});

test('a report names every page, or says how many it leaves to its other forms', () => {
  const all = reportHtml(report(12));
  expect([all.match(/unit\/page-\d+\.html/g)!.length, all.includes('Here are the first')]).toEqual([12, false]);
  const some = reportHtml(report(1_200), 1_000);
  expect(some.match(/unit\/page-\d+\.html/g)).toHaveLength(1_000);
  expect(some).toContain('Here are the first 1,000 pages of 1,200. All of them are in this report as a web page');
});

test('what a report quotes is text', () => {
  const said = report(1);
  const html = reportHtml({ ...said, subject: { ...said.subject, title: '<script>alert(1)</script> & "wax"' } });
  expect(html).not.toContain('<script>');
  expect(html).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;wax&quot;');
});
