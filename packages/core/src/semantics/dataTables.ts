import { elementParent, childElements, valueOf, has, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { styleOf } from '../style/cascade.ts';
import { sharedLooks } from './looks.ts';
import { shownText } from './names.ts';
import { gridOf, tableUse, type Cell, type Grid, type TableUse } from './tables.ts';
import { isExposed } from './visibility.ts';

export interface KnownTable {
  element: ElementNode;
  use: TableUse;
  grid: Grid;
  /** It has at least one `th`. */
  headed: boolean;
}

/** The page's tables that are told to readers, in document order. */
export const knownTables = fact((page: Page): KnownTable[] =>
  tagged(page, 'table').flatMap((element) => {
    if (!isExposed(page, element)) return [];
    const grid = gridOf(element);
    return grid.cells.length === 0
      ? []
      : [{ element, use: tableUse(page, element), grid, headed: grid.cells.some((cell) => cell.element.tag === 'th') }];
  }),
);

/** What only data tables have, on a table: named for a sentence. */
export function marksOn(page: Page, { element, grid }: KnownTable): string[] {
  const marks: string[] = [];
  if (grid.cells.some((cell) => cell.element.tag === 'th')) marks.push('header cells');
  const caption = childElements(element).find((child) => child.tag === 'caption');
  if (caption && shownText(page, caption, 1) !== '') marks.push('a caption');
  if ((valueOf(element, 'summary') ?? '').trim()) marks.push('a summary');
  if (grid.cells.some((cell) => has(cell.element, 'scope'))) marks.push('scopes');
  return marks;
}

/** The text of a table's first row, cells parted by bars: what tells it from others. */
export function firstRowOf(page: Page, grid: Grid): string {
  return grid.cells
    .filter((cell) => cell.row === 0)
    .map((cell) => shownText(page, cell.element))
    .join(' | ');
}

export type Imitated = 'row' | 'column' | 'both';

/** Which plain cells are dressed as headers: a whole first row or column in bold or on a ground of its own, unlike the rest. */
export function imitatedHeaders(page: Page, { grid, headed }: KnownTable): Imitated | null {
  if (headed || grid.rows < 2 || grid.columns < 2) return null;
  const rest = grid.cells.filter((cell) => cell.row > 0 && cell.column > 0);
  if (rest.length === 0 || rest.every((cell) => isDressed(page, cell))) return null;
  const row = allDressed(
    page,
    grid.cells.filter((cell) => cell.row === 0 && cell.colSpan < grid.columns),
  );
  const column = allDressed(
    page,
    grid.cells.filter((cell) => cell.column === 0 && cell.row >= (row ? 1 : 0) && cell.rowSpan < grid.rows),
  );
  const apart = (cells: readonly Cell[]) => !cells.some((cell) => isDressed(page, cell));
  if (row && column) return apart(rest) ? 'both' : null;
  if (row) return apart(grid.cells.filter((cell) => cell.row > 0)) ? 'row' : null;
  return column && apart(grid.cells.filter((cell) => cell.column > 0)) ? 'column' : null;
}

/** All but an empty corner, and at least two. */
function allDressed(page: Page, cells: readonly Cell[]): boolean {
  const told = cells.filter((cell) => !(cell.row === 0 && cell.column === 0 && shownText(page, cell.element, 1) === ''));
  return told.length >= 2 && told.every((cell) => shownText(page, cell.element, 1) !== '' && isDressed(page, cell));
}

function isDressed(page: Page, { element }: Cell): boolean {
  if (sharedLooks(page, element)?.bold) return true;
  const row = elementParent(element)!;
  const table = elementParent(elementParent(row) ?? row) ?? row;
  const own = styleOf(page, element).background.a > 0 ? styleOf(page, element).background : styleOf(page, row).background;
  const around = styleOf(page, table).background;
  // Stripes shade every other row: they are told apart by the rest being dressed too.
  return (
    own.a > 0.02 && (own.r !== around.r || own.g !== around.g || own.b !== around.b) && !(own.r === 255 && own.g === 255 && own.b === 255)
  );
}
