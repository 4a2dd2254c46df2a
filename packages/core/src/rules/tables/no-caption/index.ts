import { defineRule } from '../../types.ts';
import { shownText } from '../../../semantics/names.ts';
import { tableName } from '../../../semantics/tables.ts';
import { knownTables, imitatedHeaders } from '../../../semantics/dataTables.ts';

export const rule = defineRule({
  id: 'tables/no-caption',
  title: 'Data table with no caption',
  why: 'Someone who goes from table to table hears only their sizes and must read into each one to know what it is about.',
  fix: 'Give the table a caption that says what it lists.',
  criteria: ['1.3.1'],
  techniques: ['H39', 'H73'],
  weight: 'should',
  scope: 'any',
  remedies: ['add-caption'],
  messages: { none: 'This table, which begins “{first}”, has no caption' },
  end(page, tell) {
    for (const table of knownTables(page)) {
      const { element, use, grid } = table;
      // Cells dressed as headers say that it is data as well as marked ones do.
      if ((use !== 'data' && !(use === 'unsure' && imitatedHeaders(page, table))) || tableName(page, element)) continue;
      const cells = grid.cells.filter((cell) => cell.row === 0);
      if (cells.length === 0) continue;
      const first = cells.map((cell) => shownText(page, cell.element)).join(', ');
      tell({ at: element, message: 'none', values: { first }, subject: first });
    }
  },
});
