import { firstRowOf, knownTables } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import type { ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { headersOf } from '../../../semantics/tableHeaders.ts';
import type { Cell, Grid } from '../../../semantics/tables.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/ambiguous',
  title: 'Cells that no header belongs to for certain',
  why: 'In this maze of merged headers some cells are read out with no header, whatever the reader’s program.',
  fix: 'Split the table into simple ones, or tie each cell to its headers.',
  criteria: ['1.3.1'],
  techniques: ['H43', 'F90'],
  weight: 'should',
  scope: 'any',
  remedies: ['associate'],
  messages: { unheaded: '{many} cells of this table have no header that can be told from its order' },
  end(page, tell) {
    for (const { element, use, grid, headed } of knownTables(page)) {
      if (use !== 'data' || !headed || !grid.cells.some((cell) => cell.rowSpan > 1 || cell.colSpan > 1)) continue;
      const many = grid.cells.filter(
        (cell) =>
          cell.element.tag === 'td' &&
          cell.colSpan < grid.columns &&
          shownText(page, cell.element, 1) !== '' &&
          !hasHeader(page, element, grid, cell),
      ).length;
      if (many > 0) tell({ at: element, message: 'unheaded', values: { many }, subject: firstRowOf(page, grid) });
    }
  },
});

/**
 * By the standard's own order, or because a header stands above it or beside it: an empty corner cell keeps the standard from seeing
 * some of those, and readers' programs see them all the same.
 */
function hasHeader(page: Page, table: ElementNode, { at }: Grid, cell: Cell): boolean {
  if (headersOf(page, table, cell.element).length > 0) return true;
  for (let row = cell.row - 1; row >= 0; row--) if (at[row]?.[cell.column]?.element.tag === 'th') return true;
  for (let column = cell.column - 1; column >= 0; column--) if (at[cell.row]?.[column]?.element.tag === 'th') return true;
  return false;
}
