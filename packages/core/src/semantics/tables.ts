import { childElements, closest, elementsIn, has, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { isBlock, HEADING_TAGS } from './blocks.ts';
import { nameOf, shownText } from './names.ts';
import { roleOf } from './roles.ts';
import { append } from '../source/lists.ts';

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
  return useByEvidence(page, table, gridOf(table));
}

function useByEvidence(page: Page, table: ElementNode, grid: Grid): TableUse {
  const inside = closest(table, (up) => up.tag === 'table' && roleOf(up) !== 'presentation') !== null;
  const weight = layoutWeight(page, table, grid);
  const marks = marksOfData(table);
  // Marks alone make no data of what is plainly laid out: a menu with a header cell is still a menu (WCAG, F46).
  if (marks === 'ties' && weight > -6) return 'data';
  if (marks === 'heads' && weight > -3 && grid.cells.length > 1 && !(inside && weight < 0)) return 'data';
  if (marks === 'heads' && mayHead(page, grid, weight)) return 'unsure';
  if (grid.rows < 2 || grid.columns < 2) return marks === 'none' || weight <= -3 ? 'layout' : 'unsure';
  if (inside && !bordered(page, table)) return weight <= -2 ? 'layout' : 'unsure';
  return useByWeight(page, table, grid, weight);
}

/** Whether header cells stand as they do in data, though the rest speaks for layout. */
function mayHead(page: Page, grid: Grid, weight: number): boolean {
  return (weight > -6 && headsRows(page, grid)) || headsColumns(page, grid);
}

/** Whether each header cell begins a row with something beside it: whoever wrote that may have meant a name and what it stands for. */
function headsRows(page: Page, grid: Grid): boolean {
  const heads = grid.cells.filter((cell) => cell.element.tag === 'th');
  return heads.length > 0 && heads.every((head) => head.column === 0 && isToldBeside(page, grid, head));
}

/** Whether two columns and more have a header cell with words of its own at their top, and rows below: an index has, too. */
function headsColumns(page: Page, grid: Grid): boolean {
  const heads = grid.cells.filter(({ element, row, colSpan }) => row === 0 && colSpan === 1 && element.tag === 'th');
  return grid.rows >= 3 && new Set(heads.map(({ element }) => shownText(page, element, 60)).filter((text) => text !== '')).size >= 2;
}

function isToldBeside(page: Page, grid: Grid, head: Cell): boolean {
  const beside = grid.at[head.row]?.[head.column + head.colSpan];
  return beside?.element.tag === 'td' && shownText(page, beside.element, 1) !== '' && shownText(page, head.element, 1) !== '';
}

function useByWeight(page: Page, table: ElementNode, grid: Grid, weight: number): TableUse {
  const data = weight + (bordered(page, table) ? 2 : 0) + (grid.rows >= 3 ? 1 : 0);
  return data >= 3 ? 'data' : data <= -2 ? 'layout' : 'unsure';
}

/** What a cell holds, found out in one walk. */
interface Held {
  cell: Cell;
  /** As far as 400 units. */
  text: string;
  image: boolean;
  heading: boolean;
  code: boolean;
  /** Blocks of its own, or anything that is more than text. */
  heavy: boolean;
  /** Length of the text of its links. */
  linked: number;
}

const MOST_CELLS = 400;

function heldBy(page: Page, cell: Cell): Held {
  const held: Held = { cell, text: shownText(page, cell.element, 400), image: false, heading: false, code: false, heavy: false, linked: 0 };
  let blocks = 0;
  if (cell.element.children.some((child) => child.kind === 'element'))
    for (const inner of elementsIn(cell.element)) {
      if (inner.tag === 'img' || inner.tag === 'svg' || inner.tag === 'object') held.image = true;
      else if (inner.tag === 'pre') held.code = true;
      else if (inner.tag === 'a' && has(inner, 'href')) held.linked += shownText(page, inner, 200).length;
      if (HEADING_TAGS.includes(inner.tag)) held.heading = true;
      if (HEAVY.has(inner.tag)) held.heavy = true;
      if (isBlock(inner)) blocks++;
    }
  held.heavy ||= blocks > 2 || held.text.length > 220;
  return held;
}

const HEAVY = new Set(['table', 'form', 'ul', 'ol', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'iframe', 'video', 'nav', 'section']);

/** What speaks for a layout weighs below zero, what speaks for data above. */
function layoutWeight(page: Page, table: ElementNode, grid: Grid): number {
  const cells = grid.cells.slice(0, MOST_CELLS).map((cell) => heldBy(page, cell));
  return contentWeight(cells) + summaryWeight(table) - shapeWeight(grid, cells) - (mostlyLinks(grid, cells) ? 3 : 0);
}

/** A summary is written for data more often than not, unless it says itself that the table is for navigation or layout. */
function summaryWeight(table: ElementNode): number {
  const summary = (valueOf(table, 'summary') ?? '').trim();
  if (summary === '') return 0;
  return /navig|layout|header|footer|placement|spacing|viewport|simple list|^note|^tip|^warning|^important|^caution/i.test(summary)
    ? -4
    : 1;
}

/** Few rows in which nearly every cell is but a link are a menu; a column of links beside others is an index, and data. */
function mostlyLinks(grid: Grid, cells: readonly Held[]): boolean {
  const full = cells.slice(0, 60).filter((held) => held.text !== '' || held.image);
  const linked = full.filter((held) => held.linked > 0 && held.linked >= 0.6 * held.text.length).length;
  return full.length > 0 && linked / full.length >= (grid.rows <= 3 ? 0.5 : 0.9);
}

/** Lines of questions, notes and steps are numbered so. */
const NUMBERED = /^(?:[qa]|[([]?\w{1,6}[.)\]:]|\d{1,3})[.:]?$/i;

/**
 * Shapes that lay out: an image beside text or over its caption, a sign of a note beside the note, a number beside a long text, code
 * beside its line numbers, headings, and brackets and commas in cells of their own.
 */
function shapeWeight(grid: Grid, cells: readonly Held[]): number {
  const count = (passes: (held: Held) => boolean) => cells.filter(passes).length;
  const isImage = (held: Held) => held.image && held.text === '';
  const images = count(isImage);
  const captioned = count((held) => held.image);
  const signs = count((held) => /^[()[\]{},;:=<>.&*]{1,8}$/.test(held.text));
  const [first, second] = [cells.filter((held) => held.cell.column === 0), cells.filter((held) => held.cell.column === 1)];
  const long = second.some((held) => held.text.length > 80);
  const isNumbered = (held: Held) => held.text === '' || (held.text.length <= 20 && NUMBERED.test(held.text));
  const numbered = grid.columns === 2 && first.length > 0 && first.every((held) => isNumbered(held) || isImage(held));
  return (
    (grid.rows <= 2 && images > 0 && images >= cells.length / 3 ? 4 : 0) +
    (captioned > 1 && captioned >= cells.length / 2 ? 3 : 0) +
    (cells.some((held) => held.heading) ? 2 : 0) +
    (signs >= 2 && signs >= cells.length / 10 ? 4 : 0) +
    (grid.columns <= 2 && cells.some((held) => held.code) ? 4 : 0) +
    (numbered && (long || images > 0) ? 4 : 0)
  );
}

/** Groups, rows and cells of a table itself, without those of tables inside its cells. */
function ownParts(table: ElementNode): ElementNode[] {
  const parts: ElementNode[] = [];
  for (const child of childElements(table)) {
    parts.push(child);
    for (const inner of childElements(child)) {
      if (child.tag === 'tr' || inner.tag === 'tr') parts.push(inner);
      if (inner.tag === 'tr') append(parts, childElements(inner));
    }
  }
  return parts;
}

/** What an author marked: `ties` bind cells to headers, `heads` only name them or the table. */
function marksOfData(table: ElementNode): 'ties' | 'heads' | 'none' {
  let marks: 'heads' | 'none' = 'none';
  for (const element of ownParts(table)) {
    const isCell = element.tag === 'td' || element.tag === 'th';
    if (isCell && (has(element, 'headers') || has(element, 'scope'))) return 'ties';
    if (['th', 'caption', 'thead', 'tfoot'].includes(element.tag) || (isCell && has(element, 'abbr'))) marks = 'heads';
  }
  return marks;
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
function contentWeight(cells: readonly Held[]): number {
  const shares = { short: 0, number: 0, heavy: 0, blank: 0 };
  for (const { text, heavy } of cells) {
    if (text === '') shares.blank++;
    else if (text.length <= 60) shares.short++;
    if (/^[\d.,\s%€£$:/–-]+$/.test(text) && /\d/.test(text)) shares.number++;
    if (heavy) shares.heavy++;
  }
  const part = (count: number) => count / Math.max(1, cells.length);
  return (
    (part(shares.short) > 0.7 ? 1 : 0) +
    (part(shares.number) > 0.2 ? 2 : 0) -
    (part(shares.heavy) > 0.25 ? 3 : 0) -
    (part(shares.blank) > 0.4 ? 1 : 0)
  );
}

/** A table's name: its caption, an ARIA name, a title, or the caption of the figure it stands alone in. */
export function tableName(page: Page, table: ElementNode): string {
  const own = nameOf(page, table).name;
  if (own) return own;
  const figure = closest(table, (up) => up.tag === 'figure');
  return figure ? nameOf(page, figure).name : '';
}
