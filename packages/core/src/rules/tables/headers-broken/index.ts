import { valueOf, type ElementNode } from '../../../document/tree.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { elementsById } from '../../../semantics/ids.ts';
import { tableOfCell } from '../../../semantics/tableHeaders.ts';
import type { Page } from '../../../document/page.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'tables/headers-broken',
  title: 'Cell that points to headers which are not there',
  why: 'The cell is read out with no header at all, for the pointer overrules the table’s own order.',
  fix: 'Take the pointer away, or let it name the right header cells.',
  criteria: ['1.3.1'],
  techniques: ['H43', 'F90'],
  weight: 'must',
  scope: 'any',
  remedies: ['remove'],
  messages: {
    missing: 'The cell points to “{id}”, which is no cell on the page',
    elsewhere: 'The cell points to “{id}”, which is no header of this table',
    itself: 'The cell points to itself as its header',
  },
  end(page, tell) {
    for (const { element: table, grid } of knownTables(page)) {
      for (const { element: cell, row, column } of grid.cells) {
        const written = cell.attributes.length > 0 ? valueOf(cell, 'headers') : null;
        const wrong = written === null ? null : firstWrong(page, table, cell, written);
        if (wrong) tell({ at: cell, ...wrong, subject: `${row} ${column} ${written}` });
      }
    }
  },
});

function firstWrong(
  page: Page,
  table: ElementNode,
  cell: ElementNode,
  written: string,
): { message: 'missing' | 'elsewhere' | 'itself'; values: { id: string } } | null {
  for (const id of written.split(/\s+/).filter(Boolean)) {
    const target = elementsById(page).get(id);
    if (target === cell) return { message: 'itself', values: { id } };
    if (!target || (target.tag !== 'td' && target.tag !== 'th')) return { message: 'missing', values: { id } };
    if (tableOfCell(target) !== table) return { message: 'elsewhere', values: { id } };
  }
  return null;
}
