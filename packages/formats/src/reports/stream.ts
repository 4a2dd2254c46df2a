import { toCsv } from './csv.ts';
import { toEarl } from './earl.ts';
import { toJunit } from './junit.ts';
import { indented, list } from './list.ts';
import { toSarif } from './sarif.ts';
import type { ReportedPage, ReportHead, RuleTexts } from './report.ts';

export type ReportFormat = 'json' | 'earl' | 'csv' | 'sarif' | 'junit';

/** A report in parts, each page written as it comes: thousands of pages are never held at once. */
export function writeReport(
  format: ReportFormat,
  head: ReportHead,
  pages: AsyncIterable<ReportedPage>,
  texts: RuleTexts,
): AsyncGenerator<string> {
  switch (format) {
    case 'json':
      return toJson(head, pages);
    case 'earl':
      return toEarl(head, pages, texts);
    case 'csv':
      return toCsv(pages);
    case 'sarif':
      return toSarif(head, pages, texts);
    case 'junit':
      return toJunit(pages);
  }
}

/** The report as JSON, laid out as `JSON.stringify` lays it out. */
async function* toJson({ inkwell, profile, collection, troubles }: ReportHead, pages: AsyncIterable<ReportedPage>): AsyncGenerator<string> {
  yield `{\n  "inkwell": ${JSON.stringify(inkwell)},\n  "profile": ${indented(profile, 2)},\n`;
  if (collection) yield `  "collection": ${indented(collection, 2)},\n`;
  yield '  "pages": ';
  yield* list(pages, 4, (page) => [page]);
  if (troubles) yield `,\n  "troubles": ${indented(troubles(), 2)}`;
  yield '\n}\n';
}
