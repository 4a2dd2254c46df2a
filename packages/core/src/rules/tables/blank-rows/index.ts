import { elementParent } from '../../../document/tree.ts';
import { firstRowOf, knownTables } from '../../../semantics/dataTables.ts';
import { showsNothing } from '../../../semantics/lists.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/blank-rows',
  title: 'Empty row or column kept for its space',
  why: 'A listener walks through empty cells and wonders what is missing.',
  fix: 'Take it out; space between rows is a matter of style.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['remove'],
  messages: { row: 'Row {row} of this table is empty', column: 'Column {column} of this table is empty' },
  end(page, tell) {
    for (const { element, use, grid } of knownTables(page)) {
      if (use !== 'data' || grid.rows < 3) continue;
      const full = { rows: new Set<number>(), columns: new Set<number>() };
      for (const cell of grid.cells) {
        if (showsNothing(page, cell.element)) continue;
        for (let row = cell.row; row < cell.row + cell.rowSpan; row++) full.rows.add(row);
        for (let column = cell.column; column < cell.column + cell.colSpan; column++) full.columns.add(column);
      }
      for (let row = 0; row < grid.rows; row++) {
        const first = grid.at[row]?.find((cell) => cell?.row === row);
        if (!full.rows.has(row) && first)
          tell({
            at: elementParent(first.element)!,
            message: 'row',
            values: { row: row + 1 },
            subject: `${firstRowOf(page, grid)} ${row}`,
          });
      }
      for (let column = 0; column < grid.columns; column++)
        if (!full.columns.has(column) && full.rows.size > 0)
          tell({
            at: element,
            message: 'column',
            values: { column: column + 1 },
            subject: `${firstRowOf(page, grid)} column ${column}`,
            remedies: [],
          });
    }
  },
});
