import { lookup } from '@inkwell/core';
import type { ReportedFinding, ReportedPage } from './report.ts';

const COLUMNS = ['page', 'line', 'column', 'weight', 'outcome', 'rule', 'criteria', 'message', 'path', 'fingerprint'] as const;

/**
 * One row for each finding, after RFC 4180: CR LF, quotes doubled. Cells that a spreadsheet would run as a formula are quoted with an
 * apostrophe.
 */
export async function* toCsv(pages: AsyncIterable<ReportedPage>): AsyncGenerator<string> {
  yield line(COLUMNS);
  for await (const page of pages)
    if (page.findings.length > 0) yield page.findings.map((finding) => line(rowOf(page.path, finding))).join('');
}

/** Rows of data as a table; what is more than a value as JSON. Without `named` columns, one for each name that any row has. */
export function toCsvTable(rows: readonly object[], named?: readonly string[]): string {
  const columns = named ?? [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return line(columns) + csvRows(rows, columns);
}

/** Rows alone, for a table that is written part by part. */
export function csvRows(rows: readonly object[], columns: readonly string[]): string {
  const text = (value: unknown) =>
    value === null || value === undefined ? '' : typeof value === 'object' ? JSON.stringify(value) : String(value as string);
  return rows.map((row) => line(columns.map((name) => text(lookup(row as Record<string, unknown>, name))))).join('');
}

function rowOf(path: string, { at, weight, outcome, rule, criteria, message, fingerprint }: ReportedFinding): (string | number)[] {
  return [path, at.line, at.column, weight, outcome, rule, criteria.join(' '), message, at.path, fingerprint];
}

function line(cells: readonly (string | number)[]): string {
  return `${cells.map(cell).join(',')}\r\n`;
}

function cell(value: string | number): string {
  const text = String(value);
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replace(/"/g, '""')}"` : safe;
}
