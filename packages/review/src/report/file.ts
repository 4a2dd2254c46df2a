import { evidenceOf } from '@inkwell/core';
import {
  csvRows,
  FINDING_HEADS,
  htmlToPdf,
  NoPdf,
  reportEarl,
  reportHtml,
  reportXlsx,
  type FindingRow,
  type ReportSaid,
} from '@inkwell/formats';
import { findingsTold, type FindingTold } from '../api/findings.ts';
import type { Actor } from '../actor.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { makeReport, type ReportWish } from './make.ts';

export const REPORT_FORMATS = ['json', 'earl', 'csv', 'html', 'pdf', 'xlsx'] as const;
export type ReportFile = (typeof REPORT_FORMATS)[number];

export const REPORT_TYPES: Record<ReportFile, string> = {
  json: 'application/json',
  earl: 'application/ld+json',
  csv: 'text/csv; charset=utf-8',
  html: 'text/html; charset=utf-8',
  pdf: 'application/pdf',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
};

/** Pages named in a PDF: so many are printed in half the time there is, on a machine that has other work. */
const PDF_PAGES = 3_000;

export interface FileOfReport {
  name: string;
  type: string;
  /** Its parts, as they come. */
  parts: AsyncIterable<string | Uint8Array>;
}

/** Findings read at once. */
const SOME = 500;
/** Findings a workbook holds, and rows of a sheet less than half: a sheet ends at 1,048,576. */
const MOST_ROWS = 400_000;

/** The record as it stands now, as a file. */
export async function reportFile(
  services: Services,
  actor: Actor,
  wish: ReportWish & { format: ReportFile },
): Promise<Result<FileOfReport>> {
  const said = await makeReport(services, actor, wish);
  if (!said.ok) return said;
  const name = `accessibility-report-${said.value.subject.slug}.${wish.format === 'earl' ? 'jsonld' : wish.format}`;
  const parts = await partsOf(services, actor, wish, said.value);
  return parts.ok ? done({ name, type: REPORT_TYPES[wish.format], parts: parts.value }) : parts;
}

async function partsOf(
  services: Services,
  actor: Actor,
  wish: ReportWish & { format: ReportFile },
  said: ReportSaid,
): Promise<Result<AsyncIterable<string | Uint8Array>>> {
  const findings = () => findingsOf(services, actor, wish, said);
  switch (wish.format) {
    case 'json':
      return done(asJson(said, findings()));
    case 'csv':
      return done(asCsv(findings()));
    case 'earl':
      return done(whole(reportEarl(said)));
    case 'html':
      return done(whole(reportHtml(said)));
    case 'xlsx':
      return done(whole(await asWorkbook(said, findings())));
    case 'pdf':
      try {
        return done(whole(await htmlToPdf(reportHtml(said, PDF_PAGES))));
      } catch (error) {
        if (!(error instanceof NoPdf)) throw error;
        return refused({
          code: 'away',
          what: 'The PDF could not be made',
          why: error.message,
          kept: 'The report itself is here in other forms.',
          next: 'Take it as a web page, and print that; or try again in a while.',
        });
      }
  }
}

async function* whole(part: string | Uint8Array): AsyncGenerator<string | Uint8Array> {
  yield await Promise.resolve(part);
}

/** The findings that stand on the pages of a report, some at a time. */
async function* findingsOf(services: Services, actor: Actor, wish: ReportWish, said: ReportSaid): AsyncGenerator<FindingTold[]> {
  const addresses = new Set(said.pages.map(({ address }) => address));
  const standing = ['open', 'returned', 'excepted', 'elsewhere', 'ruled out'];
  for (let after = 0, more = true; more;) {
    const told = await findingsTold(services, actor, { collection: wish.collection, after, limit: SOME, filters: { standing } });
    if (!told.ok) return;
    yield told.value.findings.filter(({ page }) => addresses.has(page.address));
    more = told.value.next !== null;
    after = told.value.next ?? 0;
  }
}

async function* asJson(said: ReportSaid, findings: AsyncIterable<FindingTold[]>): AsyncGenerator<string> {
  const criteria = said.criteria.map((one) => ({ ...one, evidence: evidenceOf(one) }));
  yield `${JSON.stringify({ method: 'WCAG-EM 1.0', ...said, criteria }).slice(0, -1)},"findings":[`;
  let first = true;
  for await (const some of findings) {
    if (some.length === 0) continue;
    yield `${first ? '' : ','}${some.map((one) => JSON.stringify(one)).join(',')}`;
    first = false;
  }
  yield ']}\n';
}

/** Columns of the report as CSV. */
export const REPORT_COLUMNS = [
  ...['page', 'address', 'finding', 'rule', 'family', 'weight', 'outcome', 'criteria', 'message', 'standing'],
  ...['line', 'column', 'with', 'firstRevision', 'fingerprint'],
];

async function* asCsv(findings: AsyncIterable<FindingTold[]>): AsyncGenerator<string> {
  yield `${REPORT_COLUMNS.join(',')}\r\n`;
  for await (const some of findings) {
    const rows = some.map(({ id, page, at, assignee, criteria, ...one }) => ({
      ...{ page: page.id, address: page.address, finding: id, ...one, criteria: criteria.join(' ') },
      ...{ line: at.line, column: at.column, with: assignee?.name ?? '' },
    }));
    yield csvRows(rows, REPORT_COLUMNS);
  }
}

async function asWorkbook(said: ReportSaid, findings: AsyncIterable<FindingTold[]>): Promise<Uint8Array> {
  const titles = new Map(said.pages.map(({ address, title }) => [address, title]));
  const rows: FindingRow[] = [];
  for await (const some of findings) {
    for (const { page, rule, weight, outcome, criteria, message, standing, at, assignee } of some)
      rows.push([
        titles.get(page.address) ?? '',
        page.address,
        rule,
        weight,
        outcome,
        criteria.join(' '),
        message,
        standing,
        at.line,
        assignee?.name ?? '',
      ]);
    if (rows.length >= MOST_ROWS) {
      rows.push([`Only the first ${rows.length} are here: take the report as CSV for all.`, ...FINDING_HEADS.slice(1).map(() => '')]);
      break;
    }
  }
  return reportXlsx(said, rows);
}
