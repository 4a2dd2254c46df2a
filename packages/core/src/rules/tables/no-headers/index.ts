import { defineRule } from '../../types.ts';
import { has, type ElementNode } from '../../../document/tree.ts';
import { firstRowOf, imitatedHeaders } from '../../../semantics/dataTables.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { gridOf, tableUse } from '../../../semantics/tables.ts';

export const rule = defineRule({
  id: 'tables/no-headers',
  title: 'Data table with no headers',
  why: 'Someone who listens moves from cell to cell and never hears which column or row a number belongs to.',
  fix: 'Say which row or column holds the headings of the others.',
  question: {
    ask: 'Does this table hold data, with columns or rows that belong together?',
    yes: 'Yes, it is a table of data',
    no: 'No, it only places things on the page',
  },
  criteria: ['1.3.1'],
  techniques: ['H51', 'H63', 'F91'],
  weight: 'must',
  scope: 'any',
  remedies: ['set-headers'],
  messages: {
    none: 'This table of {rows} rows and {columns} columns has no header cell',
    unsure: 'This table of {rows} rows and {columns} columns may hold data and has no header cell',
  },
  tags: ['table', '[role=table]', '[role=grid]'],
  visit(page, element, tell) {
    if (element.tag !== 'table') return;
    const use = tableUse(page, element);
    if (use === 'layout') return;
    const grid = gridOf(element);
    if (grid.cells.length === 0 || grid.cells.some(({ element: cell }) => isHeader(cell))) return;
    // Cells dressed as headers have a note of their own.
    if (imitatedHeaders(page, { element, use, grid, headed: false })) return;
    tell({
      at: element,
      message: use === 'data' ? 'none' : 'unsure',
      values: { rows: grid.rows, columns: grid.columns },
      subject: firstRowOf(page, grid),
      ...(use === 'unsure' ? { outcome: 'cantTell' as const } : {}),
    });
  },
});

function isHeader(cell: ElementNode): boolean {
  const role = roleOf(cell);
  return cell.tag === 'th' || has(cell, 'headers') || role === 'columnheader' || role === 'rowheader';
}
