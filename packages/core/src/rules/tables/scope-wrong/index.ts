import { valueOf } from '../../../document/tree.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { fittingScope } from '../../../semantics/tableHeaders.ts';
import { defineRule } from '../../types.ts';

const VALUES = new Set(['col', 'row', 'colgroup', 'rowgroup']);

export const rule = defineRule({
  id: 'tables/scope-wrong',
  title: 'Scope that does not fit its cell',
  why: 'Data cells are read out with headers that do not belong to them, or with none.',
  fix: 'Let the scope say whether the cell heads its column or its row.',
  criteria: ['1.3.1'],
  techniques: ['H63'],
  weight: 'should',
  scope: 'any',
  remedies: ['set-scope'],
  messages: {
    value: 'The scope “{scope}” is none that HTML knows',
    data: 'A data cell has a scope, which only headers may have',
    contradicted: 'The scope says “{scope}”, and the table says “{fitting}”',
  },
  end(page, tell) {
    for (const { element: table, use, grid } of knownTables(page)) {
      if (use === 'layout') continue;
      for (const cell of grid.cells) {
        const scope = cell.element.attributes.length > 0 ? valueOf(cell.element, 'scope')?.trim().toLowerCase() : undefined;
        if (scope === undefined || scope === '') continue;
        const place = `${cell.row} ${cell.column}`;
        const fitting = fittingScope(page, table, cell);
        if (!VALUES.has(scope) && scope !== 'auto') tell({ at: cell.element, message: 'value', values: { scope }, subject: place });
        else if (cell.element.tag === 'td') tell({ at: cell.element, message: 'data', subject: place });
        else if (fitting && scope !== 'auto' && fitting !== scope.replace('group', ''))
          tell({ at: cell.element, message: 'contradicted', values: { scope, fitting }, subject: place });
      }
    }
  },
});
