import { valueOf, type ElementNode } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { shownText } from '../semantics/names.ts';
import { gridOf } from '../semantics/tables.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Ties every cell of a table to the headers above it and beside it. */
export const remedy: Remedy = {
  name: 'associate',
  label: 'Tie each cell to its headers',
  certain: false,
  fields: [],
  plan({ page, element: table }) {
    const grid = gridOf(table);
    const ids = new Map<ElementNode, string>();
    const taken = new Set<string>();
    const edits: (Edit | null)[] = [];
    for (const { element } of grid.cells) {
      if (element.tag !== 'th' || shownText(page, element) === '') continue;
      const id = valueOf(element, 'id') ?? freeId(page, `head-${shownText(page, element)}`, taken);
      if (!valueOf(element, 'id')) edits.push(setAttribute(element, 'id', id));
      taken.add(id);
      ids.set(element, id);
    }
    for (const cell of grid.cells) {
      if (cell.element.tag !== 'td' || shownText(page, cell.element) === '') continue;
      const heads = grid.cells.filter((head) => ids.has(head.element) && ((head.row < cell.row && overlaps(head.column, head.colSpan, cell.column, cell.colSpan)) || (head.column < cell.column && overlaps(head.row, head.rowSpan, cell.row, cell.rowSpan))));
      if (heads.length === 0 && cell.colSpan < grid.columns) return decline('Some cells have no header above or beside them; set the headers first.');
      if (heads.length > 0) edits.push(setAttribute(cell.element, 'headers', heads.map((head) => ids.get(head.element)!).join(' ')));
    }
    if (edits.length === 0) return decline('The headers of this table cannot be told from where they stand.');
    return edits.every((edit) => edit !== null) ? planned(...(edits as Edit[])) : decline(NO_SOURCE);
  },
};

function overlaps(from: number, length: number, other: number, otherLength: number): boolean {
  return from < other + otherLength && other < from + length;
}
