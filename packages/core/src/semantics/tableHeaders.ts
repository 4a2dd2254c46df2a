import { childElements, closestWithin, elementParent, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { elementsById } from './ids.ts';
import { gridOf, isShared, type Cell, type Grid } from './tables.ts';
import { lookup } from '../source/lookup.ts';
import { append } from '../source/lists.ts';

export type Axis = 'column' | 'row' | 'columngroup' | 'rowgroup' | 'none';

/** A table's cells with what the header-assignment algorithm needs of them. */
export interface HeaderModel {
  grid: Grid;
  /** By cell element. */
  cells: ReadonlyMap<ElementNode, Cell>;
  axes: ReadonlyMap<ElementNode, Axis>;
  /** Cells that head a group of rows or columns: few tables have any. */
  grouped: readonly { cell: Cell; axis: 'rowgroup' | 'columngroup'; rowGroup: ElementNode | null }[];
  /** Column groups as first and last column. */
  columnGroups: readonly { from: number; to: number }[];
}

/** Slots that may be looked at for one page before only the nearest headers are taken: no page can ask for endless time. */
const MOST_STEPS = 4_000_000;
const budgets = fact(() => ({ left: MOST_STEPS }));
const models = fact((): Map<ElementNode, HeaderModel> => new Map());

export function headerModel(page: Page, table: ElementNode): HeaderModel {
  const known = models(page);
  let model = known.get(table);
  if (!model) known.set(table, (model = buildModel(table)));
  return model;
}

/** Where a table's data lies: which rows and columns hold any cell of it, and the last slot with something in it, -1 for none. */
function dataIn(grid: Grid) {
  const lastDataInRow = new Int32Array(grid.rows + 1).fill(-1);
  const lastDataInColumn = new Int32Array(grid.columns + 1).fill(-1);
  const rowsWithData = new Uint8Array(grid.rows + 1);
  const columnsWithData = new Uint8Array(grid.columns + 1);
  for (const cell of grid.cells) {
    if (cell.element.tag === 'th') continue;
    rowsWithData.fill(1, cell.row, cell.row + cell.rowSpan);
    columnsWithData.fill(1, cell.column, cell.column + cell.colSpan);
    if (isEmptyCell(cell.element)) continue;
    for (let row = cell.row; row < cell.row + cell.rowSpan; row++)
      lastDataInRow[row] = Math.max(lastDataInRow[row]!, cell.column + cell.colSpan - 1);
    for (let column = cell.column; column < cell.column + cell.colSpan; column++)
      lastDataInColumn[column] = Math.max(lastDataInColumn[column]!, cell.row + cell.rowSpan - 1);
  }
  return { lastDataInRow, lastDataInColumn, rowsWithData, columnsWithData };
}

function buildModel(table: ElementNode): HeaderModel {
  const grid = gridOf(table);
  const { rowsWithData, columnsWithData } = dataIn(grid);
  const axes = new Map<ElementNode, Axis>();
  for (const cell of grid.cells) axes.set(cell.element, cell.element.tag === 'th' ? axisOf(cell, rowsWithData, columnsWithData) : 'none');
  return {
    grid,
    cells: new Map(grid.cells.map((cell) => [cell.element, cell])),
    axes,
    grouped: grid.cells.flatMap((cell) => {
      const axis = axes.get(cell.element);
      return axis === 'rowgroup' || axis === 'columngroup' ? [{ cell, axis, rowGroup: elementParent(elementParent(cell.element)!) }] : [];
    }),
    columnGroups: columnGroupsOf(table),
  };
}

const SCOPES: Record<string, Axis> = { col: 'column', row: 'row', colgroup: 'columngroup', rowgroup: 'rowgroup' };

/** What a header cell heads (HTML Living Standard, 4.9.12.2, "column header", "row header" and their groups). */
function axisOf(cell: Cell, rowsWithData: Uint8Array, columnsWithData: Uint8Array): Axis {
  const scope = lookup(SCOPES, (valueOf(cell.element, 'scope') ?? '').trim().toLowerCase());
  if (scope) return scope;
  if (!rowsWithData.subarray(cell.row, cell.row + cell.rowSpan).includes(1)) return 'column';
  return columnsWithData.subarray(cell.column, cell.column + cell.colSpan).includes(1) ? 'none' : 'row';
}

function columnGroupsOf(table: ElementNode): { from: number; to: number }[] {
  const groups: { from: number; to: number }[] = [];
  let at = 0;
  const count = (element: ElementNode) => Math.min(1000, Math.max(1, Number.parseInt(valueOf(element, 'span') ?? '1', 10) || 1));
  for (const group of childElements(table)) {
    if (group.tag !== 'colgroup') continue;
    const columns = childElements(group).filter((child) => child.tag === 'col');
    const width = columns.length > 0 ? columns.reduce((sum, column) => sum + count(column), 0) : count(group);
    groups.push({ from: at, to: at + width - 1 });
    at += width;
  }
  return groups;
}

/** The cells that head a cell (HTML Living Standard, "algorithm for assigning header cells"), in the order it finds them. */
export function headersOf(page: Page, table: ElementNode, element: ElementNode): ElementNode[] {
  const model = headerModel(page, table);
  const cell = model.cells.get(element);
  if (!cell) return [];
  const written = valueOf(element, 'headers');
  const found = written === null ? scanned(page, model, cell) : namedCells(page, model, written);
  return [...new Set(found)].filter((header) => header !== element && !isEmptyCell(header));
}

function namedCells(page: Page, model: HeaderModel, written: string): ElementNode[] {
  return written
    .split(/\s+/)
    .map((id) => elementsById(page).get(id))
    .filter((target) => target !== undefined && model.cells.has(target)) as ElementNode[];
}

/** A cell without elements and with only white space is empty, and heads nothing. */
export function isEmptyCell(cell: ElementNode): boolean {
  return cell.children.every((child) => child.kind === 'comment' || (child.kind === 'text' && tidy(child.text) === ''));
}

function scanned(page: Page, model: HeaderModel, cell: Cell): ElementNode[] {
  const found: ElementNode[] = [];
  for (let y = cell.row; y < cell.row + cell.rowSpan; y++) scan(page, model, cell, cell.column, y, -1, 0, found);
  for (let x = cell.column; x < cell.column + cell.colSpan; x++) scan(page, model, cell, x, cell.row, 0, -1, found);
  groupHeaders(model, cell, found);
  return found;
}

/** "Internal algorithm for scanning and assigning header cells". */
function scan(
  page: Page,
  { grid, axes }: HeaderModel,
  principal: Cell,
  fromX: number,
  fromY: number,
  dx: number,
  dy: number,
  found: ElementNode[],
): void {
  const budget = budgets(page);
  let [x, y] = [fromX, fromY];
  let inBlock = principal.element.tag === 'th';
  let block: Cell[] = inBlock ? [principal] : [];
  const opaque: Cell[] = [];
  for (;;) {
    x += dx;
    y += dy;
    if (x < 0 || y < 0 || budget.left-- <= 0) return;
    const current = grid.at[y]?.[x];
    if (!current || isShared(grid, y, x)) continue;
    if (current.element.tag === 'th') {
      inBlock = true;
      block.push(current);
      const blocked =
        dx === 0
          ? axes.get(current.element) !== 'column' || opaque.some((one) => one.column === current.column && one.colSpan === current.colSpan)
          : axes.get(current.element) !== 'row' || opaque.some((one) => one.row === current.row && one.rowSpan === current.rowSpan);
      if (!blocked) found.push(current.element);
    } else if (inBlock) {
      inBlock = false;
      append(opaque, block);
      block = [];
    }
  }
}

function groupHeaders({ grouped, columnGroups }: HeaderModel, principal: Cell, found: ElementNode[]): void {
  if (grouped.length === 0) return;
  const rowGroup = elementParent(elementParent(principal.element)!);
  const columnGroup = columnGroups.find((group) => principal.column >= group.from && principal.column <= group.to);
  for (const { cell, axis, rowGroup: own } of grouped) {
    if (cell.column > principal.column + principal.colSpan - 1 || cell.row > principal.row + principal.rowSpan - 1) continue;
    if (axis === 'rowgroup' && rowGroup && rowGroup.tag !== 'table' && own === rowGroup) found.push(cell.element);
    if (axis === 'columngroup' && columnGroup && cell.column >= columnGroup.from && cell.column <= columnGroup.to) found.push(cell.element);
  }
}

const lastData = fact((): Map<ElementNode, ReturnType<typeof dataIn>> => new Map());

/**
 * Whether a header cell heads its row or its column, where the data around it leaves no doubt; null where it does not. Data below it
 * and none beside it makes it a column's, data beside it and none below a row's.
 */
export function fittingScope(page: Page, table: ElementNode, cell: Cell): 'row' | 'col' | null {
  const known = lastData(page);
  let last = known.get(table);
  if (!last) known.set(table, (last = dataIn(gridOf(table))));
  const { lastDataInRow, lastDataInColumn } = last;
  const beside = lastDataInRow[cell.row]! >= cell.column + cell.colSpan;
  const below = lastDataInColumn[cell.column]! >= cell.row + cell.rowSpan;
  return beside === below ? null : beside ? 'row' : 'col';
}

/** The table a cell belongs to. */
export function tableOfCell(cell: ElementNode): ElementNode | null {
  return closestWithin(cell, 3, (up) => up.tag === 'table');
}
