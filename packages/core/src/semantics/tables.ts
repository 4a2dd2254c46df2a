import { childElements, closest, elementsIn, has, rawText, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { isBlock } from './blocks.ts';
import { nameOf, shownText } from './names.ts';
import { roleOf } from './roles.ts';

export interface Cell {
  element: ElementNode;
  /** 0-based. */
  row: number;
  column: number;
  rowSpan: number;
  colSpan: number;
}

export interface Grid {
  rows: number;
  columns: number;
  cells: Cell[];
  /** `at[row][column]`: the cell that covers the slot first. */
  at: (Cell | undefined)[][];
  /** Numbers of the slots that several cells cover, a fault of the markup; read by `isShared`. */
  shared: Set<number>;
}

/** Whether several cells cover a slot: the standard's search for headers passes over it. */
export function isShared(grid: Grid, row: number, column: number): boolean {
  return grid.shared.size > 0 && grid.shared.has(row * SLOT_ROW + column);
}

/** The spans HTML allows (Living Standard, 4.9.11): a larger one is cut to the limit. */
const WIDEST = 1000;
const TALLEST = 65_534;
/** More columns than a row can have: it tells the rows of slot numbers apart. */
const SLOT_ROW = 2 ** 24;
/**
 * Slots that spans may fill in one table, beside so many for each of its cells: beyond it spans count as 1, so that no page can ask for
 * endless work.
 */
const SLOTS = 10_000;
const SLOTS_EACH = 40;

/**
 * The grid of a table, after the HTML Living Standard's "forming a table". One difference, on purpose: a span that reaches past its row
 * group is cut off there, as browsers do, where the standard's own steps would add empty rows that nobody sees.
 */
export function gridOf(table: ElementNode): Grid {
  let grid = grids.get(table);
  if (!grid) grids.set(table, (grid = formGrid(table)));
  return grid;
}

/** No elements come or go in a tree once it is built, so a table's grid is formed once. */
const grids = new WeakMap<ElementNode, Grid>();

function formGrid(table: ElementNode): Grid {
  const grid: Grid = { rows: 0, columns: 0, cells: [], at: [], shared: new Set() };
  let filled = 0;
  for (const group of rowGroups(table)) {
    const last = grid.rows + group.length;
    for (const row of group) {
      const at = (grid.at[grid.rows] ??= []);
      let column = 0;
      for (const element of childElements(row)) {
        if (element.tag !== 'td' && element.tag !== 'th') continue;
        while (at[column]) column++;
        const cell: Cell = {
          element,
          row: grid.rows,
          column,
          rowSpan: rowSpanOf(element, last - grid.rows),
          colSpan: span(element, 'colspan', WIDEST),
        };
        if (filled + cell.rowSpan * cell.colSpan > SLOTS + SLOTS_EACH * grid.cells.length) cell.rowSpan = cell.colSpan = 1;
        filled += cell.rowSpan * cell.colSpan;
        cover(grid, cell);
        column += cell.colSpan;
      }
      grid.rows++;
    }
  }
  return grid;
}

function cover(grid: Grid, cell: Cell): void {
  grid.cells.push(cell);
  grid.columns = Math.max(grid.columns, cell.column + cell.colSpan);
  for (let row = cell.row; row < cell.row + cell.rowSpan; row++) {
    const at = (grid.at[row] ??= []);
    for (let column = cell.column; column < cell.column + cell.colSpan; column++) {
      if (at[column]) grid.shared.add(row * SLOT_ROW + column);
      else at[column] = cell;
    }
  }
}

function rowGroups(table: ElementNode): ElementNode[][] {
  const groups: ElementNode[][] = [];
  const feet: ElementNode[][] = [];
  let loose: ElementNode[] = [];
  const close = () => {
    if (loose.length > 0) groups.push(loose);
    loose = [];
  };
  for (const child of childElements(table)) {
    if (child.tag === 'tr') loose.push(child);
    if (!['thead', 'tbody', 'tfoot'].includes(child.tag)) continue;
    close();
    const rows = childElements(child).filter((row) => row.tag === 'tr');
    // The standard places foot groups after all others.
    (child.tag === 'tfoot' ? feet : groups).push(rows);
  }
  close();
  return [...groups, ...feet];
}

function span(cell: ElementNode, name: string, most: number): number {
  const value = /^\s*\+?(\d+)/.exec(valueOf(cell, name) ?? '');
  const number = value ? Number(value[1]) : 1;
  return Math.min(Math.max(number, 1), most);
}

function rowSpanOf(cell: ElementNode, left: number): number {
  // rowspan=0 reaches to the end of the row group.
  const written = /^\s*0+\s*$/.test(valueOf(cell, 'rowspan') ?? '') ? left : span(cell, 'rowspan', TALLEST);
  return Math.min(written, left);
}

export type TableUse = 'data' | 'layout' | 'unsure';

/**
 * Whether a table holds data or only lays out the page. By evidence, in the order of its strength: what the author said, then
 * what the cells hold. The weighing is common practice; the marks come from HTML's "techniques for describing tables".
 */
export function tableUse(page: Page, table: ElementNode): TableUse {
  const uses = knownUses(page);
  let use = uses.get(table);
  if (!use) uses.set(table, (use = decideUse(page, table)));
  return use;
}

const knownUses = fact((): Map<ElementNode, TableUse> => new Map());

function decideUse(page: Page, table: ElementNode): TableUse {
  const role = roleOf(table);
  if (role === 'presentation') return 'layout';
  if (role === 'grid' || role === 'treegrid' || valueOf(table, 'role') === 'table') return 'data';
  if (saysData(table)) return 'data';
  if (closest(table, (up) => up.tag === 'table' && roleOf(up) !== 'presentation') !== null && !bordered(page, table)) return 'unsure';
  const grid = gridOf(table);
  if (grid.rows < 2 || grid.columns < 2) return 'layout';
  const weight =
    contentWeight(page, grid) +
    (bordered(page, table) ? 2 : 0) +
    (grid.rows >= 3 ? 1 : 0) +
    summaryWeight(table) -
    (mostlyLinks(grid) ? 2 : 0);
  return weight >= 2 ? 'data' : weight <= -2 ? 'layout' : 'unsure';
}

/** A summary is written for data more often than not, unless it says itself that the table is for navigation or layout. */
function summaryWeight(table: ElementNode): number {
  const summary = (valueOf(table, 'summary') ?? '').trim();
  if (summary === '') return 0;
  return /navig|layout|header|footer|placement|spacing/i.test(summary) ? -2 : 1;
}

/** Rows of links are a menu. */
function mostlyLinks(grid: Grid): boolean {
  const full = grid.cells.slice(0, 60).filter(({ element }) => rawText(element).trim() !== '');
  return (
    full.length > 0 &&
    full.filter(({ element }) => [...elementsIn(element)].some((inner) => inner.tag === 'a' && has(inner, 'href'))).length / full.length >=
      0.5
  );
}

/** Groups, rows and cells of a table itself, without those of tables inside its cells. */
function ownParts(table: ElementNode): ElementNode[] {
  const parts: ElementNode[] = [];
  for (const child of childElements(table)) {
    parts.push(child);
    for (const inner of childElements(child)) {
      if (child.tag === 'tr' || inner.tag === 'tr') parts.push(inner);
      if (inner.tag === 'tr') parts.push(...childElements(inner));
    }
  }
  return parts;
}

function saysData(table: ElementNode): boolean {
  for (const element of ownParts(table)) {
    if (['th', 'caption', 'thead', 'tfoot', 'colgroup'].includes(element.tag)) return true;
    if (element.tag === 'td' && (has(element, 'headers') || has(element, 'scope') || has(element, 'abbr'))) return true;
  }
  return false;
}

const DRAWN = /^(?:solid|dashed|dotted|double|groove|ridge|inset|outset)$/;

function bordered(page: Page, table: ElementNode): boolean {
  const border = valueOf(table, 'border');
  if (border !== null && border !== '0') return true;
  const cell = ownParts(table).find((element) => element.tag === 'td');
  return [table, cell].some(
    (element) =>
      element &&
      ['top', 'right', 'bottom', 'left'].some((side) => DRAWN.test(styleOf(page, element).declared.get(`border-${side}-style`) ?? '')),
  );
}

/** Above zero when cells are short and alike, as data is; below when they hold blocks, images and long prose. */
function contentWeight(page: Page, grid: Grid): number {
  const cells = grid.cells.slice(0, 400);
  const shares = { short: 0, number: 0, heavy: 0, blank: 0 };
  for (const { element } of cells) {
    const text = shownText(page, element, 400);
    if (text === '') shares.blank++;
    else if (text.length <= 60) shares.short++;
    if (/^[\d.,\s%€£$:/–-]+$/.test(text) && /\d/.test(text)) shares.number++;
    if (text.length > 220 || holdsHeavy(element)) shares.heavy++;
  }
  const part = (count: number) => count / Math.max(1, cells.length);
  return (
    (part(shares.short) > 0.7 ? 1 : 0) +
    (part(shares.number) > 0.2 ? 2 : 0) -
    (part(shares.heavy) > 0.25 ? 3 : 0) -
    (part(shares.blank) > 0.4 ? 1 : 0)
  );
}

function holdsHeavy(cell: ElementNode): boolean {
  let blocks = 0;
  for (const element of elementsIn(cell)) {
    if (['table', 'form', 'ul', 'ol', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'iframe', 'video', 'nav', 'section'].includes(element.tag))
      return true;
    if (isBlock(element)) blocks++;
  }
  return blocks > 2;
}

/** A table's name: its caption, an ARIA name, a title, or the caption of the figure it stands alone in. */
export function tableName(page: Page, table: ElementNode): string {
  const own = nameOf(page, table).name;
  if (own) return own;
  const figure = closest(table, (up) => up.tag === 'figure');
  return figure ? nameOf(page, figure).name : '';
}
