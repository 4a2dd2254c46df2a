import { firstRowOf, knownTables } from '../../../semantics/dataTables.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/ragged',
  title: 'Rows of unlike widths',
  why: 'Cells slip under headers that are not theirs, and a listener is told the wrong ones.',
  fix: 'Give every row the same number of cells, and let no span reach out of the table.',
  criteria: ['1.3.1'],
  techniques: ['H51'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { short: 'Row {row} of this table has {here} cells where others have {columns}', overlap: 'Merged cells overlap in row {row}' },
  end(page, tell) {
    for (const { element, use, grid } of knownTables(page)) {
      if (use !== 'data' || grid.rows < 2) continue;
      const found = firstFault(grid);
      if (found) tell({ at: element, ...found, subject: firstRowOf(page, grid) });
    }
  },
});

type Grid = ReturnType<typeof knownTables>[number]['grid'];

function firstFault(grid: Grid): { message: 'short' | 'overlap'; values: Record<string, number> } | null {
  for (const cell of grid.cells) {
    for (let column = cell.column; column < cell.column + cell.colSpan; column++)
      if (grid.at[cell.row]![column] !== cell) return { message: 'overlap', values: { row: cell.row + 1 } };
  }
  for (let row = 0; row < grid.rows; row++) {
    let here = 0;
    for (let column = 0; column < grid.columns; column++) if (grid.at[row]?.[column]) here++;
    if (here > 0 && here < grid.columns) return { message: 'short', values: { row: row + 1, here, columns: grid.columns } };
  }
  return null;
}
