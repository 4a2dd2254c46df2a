import type { Edit } from '../source/edits.ts';
import { has, type ElementNode } from '../document/tree.ts';
import { shownText } from '../semantics/names.ts';
import { sharedLooks } from '../semantics/looks.ts';
import { gridOf, type Cell, type Grid } from '../semantics/tables.ts';
import { NO_SOURCE, insertAt, renameTag, nameEnd, unwrap } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';

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
    return edits.length > 0 ? planned(...edits) : decline('The cells chosen are headers already, or have no text.');
  },
};

/** A header is bold by itself: the tags that made all of the cell so go. */
function unbolded(cell: ElementNode): Edit[] {
  const [only] = cell.children.filter((node) => node.kind !== 'text' || /\S/.test(node.text));
  const bold = only?.kind === 'element' && ['b', 'strong'].includes(only.tag) && only.attributes.length === 0 ? only : null;
  const alone = bold && cell.children.every((node) => node === bold || (node.kind === 'text' && !/\S/.test(node.text)));
  return alone && bold.startTag && bold.endTag ? unwrap(bold) : [];
}

type Scope = 'col' | 'colgroup' | 'row' | 'rowgroup' | null;

/** A corner without text heads nothing, and stays a data cell. */
export function scopeFor(page: Target['page'], cell: Cell, grid: Grid, headers: string): Scope {
  const corner = cell.row === 0 && cell.column === 0;
  if (corner && headers === 'both' && shownText(page, cell.element) === '') return null;
  if (cell.row === 0 && headers !== 'column' && cell.colSpan < Math.max(2, grid.columns)) return cell.colSpan > 1 ? 'colgroup' : 'col';
  if (cell.column === 0 && headers !== 'row') return cell.rowSpan > 1 ? 'rowgroup' : 'row';
  return null;
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
