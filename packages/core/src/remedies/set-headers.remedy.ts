import type { Edit } from '../source/edits.ts';
import { has, type ElementNode } from '../document/tree.ts';
import { shownText } from '../semantics/names.ts';
import { sharedLooks } from '../semantics/looks.ts';
import { gridOf, type Cell, type Grid } from '../semantics/tables.ts';
import { NO_SOURCE, insertAt, renameTag, nameEnd, unwrap } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';
import { greatest } from '../source/lists.ts';

const CHOICES = [
  { value: 'row', label: 'The first row' },
  { value: 'column', label: 'The first column' },
  { value: 'both', label: 'Both' },
];

/** Makes the first row, the first column or both the headers of a table, each with its scope. */
export const remedy: Remedy = {
  name: 'set-headers',
  label: 'Set the headers',
  certain: ['tables/imitated-headers'],
  fields: [{ name: 'headers', label: 'Which cells head the others?', kind: 'choice', options: CHOICES }],
  propose: (target) => ({ headers: likelyHeaders(target) }),
  plan({ page, element }, inputs) {
    if (!CHOICES.some((choice) => choice.value === inputs.headers)) return decline('Choose the first row, the first column or both.');
    const grid = gridOf(element);
    const edits: Edit[] = [];
    for (const cell of grid.cells) {
      const scope = scopeFor(page, cell, grid, inputs.headers!);
      if (!scope || cell.element.tag === 'th') continue;
      const renamed = renameTag(page, cell.element, 'th');
      if (!renamed) return decline(NO_SOURCE);
      const after = nameEnd(cell.element)!;
      edits.push(...renamed, ...(has(cell.element, 'scope') ? [] : [insertAt(after, ` scope="${scope}"`)]), ...unbolded(cell.element));
    }
    return edits.length > 0 ? planned(edits) : decline('The cells chosen are headers already, or have no text.');
  },
};

/** A header is bold by itself: the tags that made all of the cell so go. */
function unbolded(cell: ElementNode): Edit[] {
  const [only] = cell.children.filter((node) => node.kind !== 'text' || /\S/.test(node.text));
  const bold = only?.kind === 'element' && ['b', 'strong'].includes(only.tag) && only.attributes.length === 0 ? only : null;
  const alone = bold && cell.children.every((node) => node === bold || (node.kind === 'text' && !/\S/.test(node.text)));
  return alone && bold.startTag && bold.endTag ? unwrap(bold) : [];
}

/** How many rows and columns, of those that head the others, there are: in a table with merged cells they may be several. */
export interface HeaderDepth {
  rows: number;
  columns: number;
}

const DEEPEST = 3;

/**
 * Rows that a table begins with and that are one cell from side to side: a title, over the headers.
 */
function titleRows(grid: Grid): number {
  let rows = 0;
  while (rows < grid.rows - 1 && grid.columns > 1 && (grid.at[rows]?.[0]?.colSpan ?? 0) >= grid.columns) rows++;
  return rows;
}

/** Where a header spans columns, the one beside it that reaches down tells how many rows of headers there are. */
export function likelyDepth(grid: Grid): HeaderDepth {
  const first = grid.cells.filter(({ row }) => row === titleRows(grid));
  const deep = first.some(({ colSpan }) => colSpan > 1) ? greatest(first.map(({ rowSpan }) => rowSpan)) : 1;
  return { rows: Math.max(1, Math.min(deep, DEEPEST, grid.rows - titleRows(grid) - 1)), columns: 1 };
}

/**
 * What a cell is to head when the first rows or columns head the others; null for nothing. A header that spans heads all it spans (HTML
 * Living Standard, 4.9.10): the scopes of groups need groups in the markup, and without them head nothing. A corner without text heads
 * nothing, and stays a data cell.
 */
export function scopeFor(page: Target['page'], cell: Cell, grid: Grid, headers: string, depth = likelyDepth(grid)): 'col' | 'row' | null {
  const above = titleRows(grid);
  if (cell.row < above) return null;
  const [inRows, inColumns] = [cell.row < above + depth.rows, cell.column < depth.columns];
  if (inRows && inColumns && headers === 'both' && shownText(page, cell.element) === '') return null;
  if (inRows && headers !== 'column') return 'col';
  return inColumns && headers !== 'row' ? 'row' : null;
}

/** Which cells look like headers: bold ones, or words above and beside numbers. */
function likelyHeaders({ page, element }: Target): string {
  const grid = gridOf(element);
  const first = {
    row: grid.cells.filter((cell) => cell.row === 0),
    column: grid.cells.filter((cell) => cell.column === 0 && cell.row > 0),
  };
  const inside = grid.cells.filter((cell) => cell.row > 0 && cell.column > 0);
  const bold = (cells: readonly Cell[]) =>
    cells.length > 0 && cells.every((cell) => sharedLooks(page, cell.element)?.bold ?? shownText(page, cell.element) === '');
  const numeric = (cells: readonly Cell[]) =>
    cells.length > 0 && cells.filter((cell) => /\d/.test(shownText(page, cell.element))).length / cells.length;
  const corner = first.row[0];
  const row = bold(first.row) || !numeric(first.row);
  const column =
    bold(first.column) ||
    (corner !== undefined && shownText(page, corner.element) === '') ||
    (Number(numeric(inside)) > 0.6 && !numeric(first.column));
  return row && column ? 'both' : column ? 'column' : 'row';
}
