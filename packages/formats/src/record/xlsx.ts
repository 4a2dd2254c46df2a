import writeExcel from 'write-excel-file/node';
import { evidenceOf, OUTCOME_WORDS } from '@inkwell/core';
import type { ReportSaid } from './said.ts';

type Cell = string | number | null;
/** Longest text a cell of a workbook holds. */
const LONGEST = 32_000;

function rowOf(cells: readonly Cell[], isHead: boolean) {
  const look = isHead ? { fontWeight: 'bold' as const } : {};
  return cells.map((value) => {
    if (value === null) return null;
    return typeof value === 'number' ? { value, type: Number, ...look } : { value: value.slice(0, LONGEST), type: String, ...look };
  });
}

/** A finding as a row of the workbook. */
export type FindingRow = readonly Cell[];
export const FINDING_HEADS = ['Page', 'Address', 'Rule', 'Weight', 'Outcome', 'Criteria', 'What', 'Standing', 'Line', 'With'] as const;

/** A report as a workbook: its criteria, its pages, and its findings, each a sheet. What begins like a formula stays text. */
export async function reportXlsx(said: ReportSaid, findings: readonly FindingRow[]): Promise<Buffer> {
  const criteria = said.criteria.map((one): Cell[] => [
    one.id,
    one.title,
    one.level,
    one.clause ?? '',
    OUTCOME_WORDS[one.outcome],
    evidenceOf(one),
    one.counts.failed,
    one.counts.excepted,
    one.counts.open,
    one.counts.pages,
  ]);
  const pages = said.pages.map((page): Cell[] => [
    page.title,
    page.address,
    page.revision,
    page.verdict,
    page.release,
    page.signed?.by ?? '',
    page.signed?.at ?? '',
    page.must,
    page.should,
    page.consider,
    page.questions,
  ]);
  const sheets: [string, readonly string[], readonly (readonly Cell[])[]][] = [
    [
      'Criteria',
      ['Criterion', 'Title', 'Level', 'EN 301 549', 'Outcome', 'Evidence', 'Failures open', 'Let stand', 'Questions open', 'Pages'],
      criteria,
    ],
    ['Pages', ['Page', 'Address', 'Revision', 'Verdict', 'Release', 'Signed by', 'On', 'Must', 'Should', 'Consider', 'Questions'], pages],
    ['Findings', FINDING_HEADS, findings],
  ];
  return writeExcel(
    sheets.map(([sheet, heads, rows]) => ({
      sheet,
      data: [rowOf(heads, true), ...rows.map((cells) => rowOf(cells, false))],
      stickyRowsCount: 1,
      columns: heads.map((head) => ({ width: Math.max(12, head.length + 4) })),
    })),
  ).toBuffer();
}
