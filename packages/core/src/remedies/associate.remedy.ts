import { valueOf, type ElementNode } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { shownText } from '../semantics/names.ts';
import { gridOf, type Cell } from '../semantics/tables.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Ties every cell of a table to the headers of its rows and columns. */
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
    const heading = grid.cells.filter((cell) => ids.has(cell.element));
    for (const cell of grid.cells) {
      if (cell.element.tag !== 'td' || shownText(page, cell.element) === '') continue;
      const heads = headersAround(heading, cell);
      if (heads.length === 0 && cell.colSpan < grid.columns)
        return decline('Some cells have no header in their row or column; set the headers first.');
      if (heads.length > 0) edits.push(setAttribute(cell.element, 'headers', heads.map((head) => ids.get(head.element)!).join(' ')));
    }
    if (edits.length === 0) return decline('The headers of this table cannot be told from where they stand.');
    return edits.every((edit) => edit !== null) ? planned(edits as Edit[]) : decline(NO_SOURCE);
  },
};

/** The headers above a cell and before it; where there are none, those below it and behind it, as in tables headed from the far side. */
function headersAround(heading: readonly Cell[], cell: Cell): readonly Cell[] {
  const inColumn = (head: Cell) => overlaps(head.column, head.colSpan, cell.column, cell.colSpan);
  const inRow = (head: Cell) => overlaps(head.row, head.rowSpan, cell.row, cell.rowSpan);
  const leading = heading.filter((head) => (inColumn(head) && head.row < cell.row) || (inRow(head) && head.column < cell.column));
  return leading.length > 0 ? leading : heading.filter((head) => inColumn(head) || inRow(head));
}

function overlaps(from: number, length: number, other: number, otherLength: number): boolean {
  return from < other + otherLength && other < from + length;
}
