import { knownTables } from '../../../semantics/dataTables.ts';
import { nameOf } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/blank-header',
  title: 'Header cell with no text',
  why: 'The cells under it are read out with no word of what they are.',
  fix: 'Write what its column or row holds; only the corner may stay empty.',
  criteria: ['1.3.1'],
  techniques: ['H51'],
  weight: 'should',
  scope: 'any',
  remedies: ['fill'],
  messages: { blank: 'The header in row {row}, column {column} is empty' },
  end(page, tell) {
    for (const { use, grid } of knownTables(page)) {
      if (use !== 'data') continue;
      for (const { element, row, column } of grid.cells) {
        if (element.tag !== 'th' || (row === 0 && column === 0) || !isExposed(page, element) || nameOf(page, element).name) continue;
        tell({ at: element, message: 'blank', values: { row: row + 1, column: column + 1 }, subject: `${row} ${column}` });
      }
    }
  },
});
