/**
 * `npm run check:musts`: every failure of weight must on pages of real books, to be read by hand: the precision in docs/checking.md comes
 * from it.
 */
import { auditPage, DEFAULT_PROFILE, selectFindings, sentenceOf } from '@inkwell/core';
import { bookPages, BOOKS, openFile } from './pages.ts';

const EACH = Number(process.env.INKWELL_CHECK_PAGES ?? 7);

const counts = new Map<string, number>();
for (const book of BOOKS) {
  for (const file of bookPages(book, EACH)) {
    const page = openFile(file)!;
    for (const finding of selectFindings(auditPage(page).findings, DEFAULT_PROFILE)) {
      counts.set(
        `${finding.weight} ${finding.outcome} ${finding.rule}`,
        (counts.get(`${finding.weight} ${finding.outcome} ${finding.rule}`) ?? 0) + 1,
      );
      if (finding.weight !== 'must' || finding.outcome !== 'failed') continue;
      console.log(
        `${finding.rule}  ${file}:${finding.at.line}  ${sentenceOf(finding)}\n    ${page.source.slice(finding.at.start, Math.min(finding.at.end, finding.at.start + 160)).replace(/\s+/g, ' ')}`,
      );
    }
  }
}
console.log(
  [...counts]
    .sort()
    .map(([key, many]) => `${String(many).padStart(6)}  ${key}`)
    .join('\n'),
);
