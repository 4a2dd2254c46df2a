import type { Report } from './report.ts';

const COLUMNS = ['page', 'line', 'column', 'weight', 'outcome', 'rule', 'criteria', 'message', 'path', 'fingerprint'] as const;

/**
 * One row for each finding, after RFC 4180: CR LF, quotes doubled. Cells that a spreadsheet would run as a formula are quoted with an
 * apostrophe.
 */
export function toCsv({ pages }: Report): string {
  const rows = pages.flatMap((page) =>
    page.findings.map((finding) => [
      page.path,
      finding.at.line,
      finding.at.column,
      finding.weight,
      finding.outcome,
      finding.rule,
      finding.criteria.join(' '),
      finding.message,
      finding.at.path,
      finding.fingerprint,
    ]),
  );
  return [COLUMNS, ...rows].map((row) => `${row.map(cell).join(',')}\r\n`).join('');
}

function cell(value: string | number): string {
  const text = String(value);
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replace(/"/g, '""')}"` : safe;
}
