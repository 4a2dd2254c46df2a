import { defineRule } from '../../types.ts';
import { has, valueOf, type ElementNode } from '../../../document/tree.ts';
import { firstRowOf, imitatedHeaders, knownTables, type KnownTable } from '../../../semantics/dataTables.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { groupedBy } from '../../../document/grouped.ts';

export const rule = defineRule({
  id: 'tables/no-headers',
  title: 'Data table with no headers',
  why: 'Someone who listens moves from cell to cell and never hears which column or row a number belongs to.',
  fix: 'Say which row or column holds the headings of the others.',
  question: {
    ask: 'Does this table hold data, with columns or rows that belong together?',
    yes: 'Yes, it is a table of data',
    no: 'No, it only places things on the page',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['H51', 'H63', 'F91'],
  weight: 'must',
  scope: 'any',
  remedies: ['set-headers'],
  messages: {
    none: 'This table of {rows} rows and {columns} columns has no header cell',
    unsure: 'This table of {rows} rows and {columns} columns may hold data and has no header cell',
    several: '{many} tables built alike, the first of {rows} rows and {columns} columns, may hold data and have no header cell',
  },
  end(page, tell) {
    const unsure: KnownTable[] = [];
    for (const table of knownTables(page)) {
      const { element, use, grid } = table;
      // Cells dressed as headers have a note of their own.
      if (use === 'layout' || grid.cells.some(({ element: cell }) => isHeader(cell)) || imitatedHeaders(page, table)) continue;
      if (use === 'unsure') unsure.push(table);
      else tell({ at: element, message: 'none', values: { rows: grid.rows, columns: grid.columns }, subject: firstRowOf(page, grid) });
    }
    for (const tables of groupedBy(unsure, ({ element, grid }) => `${valueOf(element, 'class') ?? ''} ${grid.columns}`).values()) {
      const { element, grid } = tables[0]!;
      tell({
        at: element,
        places: tables.map((table) => table.element),
        message: tables.length > 1 ? 'several' : 'unsure',
        values: { rows: grid.rows, columns: grid.columns, many: tables.length },
        subject: firstRowOf(page, grid),
        outcome: 'cantTell',
      });
    }
  },
});

function isHeader(cell: ElementNode): boolean {
  const role = roleOf(cell);
  return cell.tag === 'th' || has(cell, 'headers') || role === 'columnheader' || role === 'rowheader';
}
