import { childElements, tidy, type ElementNode } from '../document/tree.ts';
import { elementAt, pathOf } from '../document/paths.ts';
import type { Page } from '../document/page.ts';
import type { Finding } from '../audit/findings.ts';
import type { Headers } from '../remedies/arrange.ts';
import { likelyDepth, type HeaderDepth } from '../remedies/set-headers.remedy.ts';
import { knownTables } from '../semantics/dataTables.ts';
import { realLists } from '../semantics/lists.ts';
import type { TypedItem } from '../semantics/markers.ts';
import { shownText } from '../semantics/names.ts';
import { outline } from '../semantics/outline.ts';
import { headersOf } from '../semantics/tableHeaders.ts';
import type { Cell, Grid } from '../semantics/tables.ts';
import { typedLists, type TypedLine } from '../semantics/typedLists.ts';

/** A heading, or a line that only looks like one (level null), in its place among the others. */
export interface OutlineLine {
  path: string;
  text: string;
  level: number | null;
}

export interface GridCell {
  path: string;
  text: string;
  header: boolean;
  /** The headers it is read with, in the order in which they are found. */
  heads: string[];
  rowSpan: number;
  colSpan: number;
}

export interface TableView {
  path: string;
  use: 'data' | 'layout' | 'unsure';
  caption: string;
  /** Which cells head the others as it is marked up now. */
  headers: Headers;
  /** How many rows and columns of headers there are, or are likely where none is marked up. */
  depth: HeaderDepth;
  /** Whether some cell spans others. */
  merged: boolean;
  rows: number;
  columns: number;
  /** Cells by the row they begin in, the first `MOST_ROWS` of them. */
  lines: GridCell[][];
}

export interface ListItemView {
  text: string;
  nested: ListItemView[];
}

export interface ListView {
  path: string;
  ordered: boolean;
  /** Only typed: the lines as they stand now, markers included; null for a real list. */
  typed: string[] | null;
  items: ListItemView[];
}

/** What a page is built of: its outline with impostors, its tables and its lists, each in document order. */
export interface Structure {
  headings: OutlineLine[];
  tables: TableView[];
  lists: ListView[];
}

/** Rows of a table and lines of a list that are shown: what is longer is judged by its beginning. */
const MOST_ROWS = 60;
const MOST_ITEMS = 200;
/** Longest text shown of one cell or line, in characters. */
const LONGEST = 300;
const DEEPEST = 6;

export function inspectStructure(page: Page, findings: readonly Finding[]): Structure {
  return {
    headings: headingsWithImpostors(page, findings),
    tables: knownTables(page).map((table) => tableView(page, table.element, table.use, table.grid)),
    lists: lists(page),
  };
}

function headingsWithImpostors(page: Page, findings: readonly Finding[]): OutlineLine[] {
  const lines = outline(page).map(({ element, name, level }) => ({ element, text: name, level: level as number | null }));
  for (const { rule, at } of findings) {
    const element = rule === 'headings/imitated' ? elementAt(page, at.path) : null;
    if (element) lines.push({ element, text: shownText(page, element, LONGEST), level: null });
  }
  return lines
    .sort((a, b) => a.element.order - b.element.order)
    .map(({ element, text, level }) => ({ path: pathOf(page, element), text, level }));
}

function tableView(page: Page, table: ElementNode, use: TableView['use'], grid: Grid): TableView {
  const caption = childElements(table).find((child) => child.tag === 'caption');
  const lines: GridCell[][] = [];
  for (const cell of grid.cells) {
    if (cell.row >= MOST_ROWS) continue;
    const { element, row, rowSpan, colSpan } = cell;
    (lines[row] ??= []).push({
      path: pathOf(page, element),
      text: shownText(page, element, LONGEST),
      header: element.tag === 'th',
      rowSpan,
      colSpan,
      heads: headersOf(page, table, element).map((head) => shownText(page, head, LONGEST)),
    });
  }
  return {
    path: pathOf(page, table),
    use,
    caption: caption ? shownText(page, caption) : '',
    headers: headersNow(page, grid),
    depth: depthNow(page, grid),
    merged: grid.cells.some(({ rowSpan, colSpan }) => rowSpan > 1 || colSpan > 1),
    rows: grid.rows,
    columns: grid.columns,
    lines: Array.from(lines, (line) => line ?? []),
  };
}

/** Rows, and columns, of header cells alone with which a table begins; where there are none, those that are likely. */
function depthNow(page: Page, grid: Grid): HeaderDepth {
  const likely = likelyDepth(grid);
  const all = (cells: readonly Cell[]) =>
    cells.length > 0 && cells.every(({ element }) => element.tag === 'th' || shownText(page, element, 1) === '');
  const many = (lines: number, cellsOf: (line: number) => Cell[]) => {
    let depth = 0;
    while (depth < lines - 1 && all(cellsOf(depth))) depth++;
    return depth;
  };
  return {
    rows: many(grid.rows, (line) => grid.cells.filter(({ row }) => row === line)) || likely.rows,
    columns: many(grid.columns, (line) => grid.cells.filter(({ row, column }) => column === line && row > 0)) || likely.columns,
  };
}

/** A first row or column heads the others when every cell of it that says something is a header. */
function headersNow(page: Page, grid: Grid): Headers {
  const heads = (cells: readonly Cell[]) => {
    const saying = cells.filter(({ element }) => shownText(page, element, 1) !== '');
    return saying.length > 0 && saying.every(({ element }) => element.tag === 'th');
  };
  const inside = (cell: Cell) => cell.row > 0 && cell.column > 0;
  if (grid.cells.every(inside)) return 'none';
  const row = heads(grid.cells.filter((cell) => cell.row === 0 && (cell.column > 0 || grid.columns === 1)));
  const column = heads(grid.cells.filter((cell) => cell.column === 0 && cell.row > 0));
  return row && column ? 'both' : row ? 'row' : column ? 'column' : 'none';
}

function lists(page: Page): ListView[] {
  const found: { order: number; view: ListView }[] = [];
  const real = realLists(page)
    .filter(({ kind }) => kind !== 'description')
    .map(({ element }) => element);
  const inside = new Set(real.flatMap((list) => nestedLists(list)));
  for (const list of real) {
    if (!inside.has(list))
      found.push({
        order: list.order,
        view: { path: pathOf(page, list), ordered: list.tag === 'ol', typed: null, items: itemsOf(page, list, 0) },
      });
  }
  for (const { items, lines } of typedLists(page)) {
    const { block } = lines[0]!;
    const shown = lines.slice(0, MOST_ITEMS).map((line) => tidy(line.text));
    found.push({
      order: block.order,
      view: {
        path: pathOf(page, block),
        ordered: items[0]!.marker.kind !== 'bullet',
        typed: shown,
        items: items.slice(0, MOST_ITEMS).map((item) => typedItem(item)),
      },
    });
  }
  return found.sort((a, b) => a.order - b.order).map(({ view }) => view);
}

function nestedLists(list: ElementNode): ElementNode[] {
  return childElements(list)
    .flatMap((item) => childElements(item))
    .filter(isList);
}

function isList({ tag }: ElementNode): boolean {
  return tag === 'ul' || tag === 'ol';
}

function itemsOf(page: Page, list: ElementNode, depth: number): ListItemView[] {
  if (depth >= DEEPEST) return [];
  return childElements(list)
    .filter(({ tag }) => tag === 'li')
    .slice(0, MOST_ITEMS)
    .map((item) => {
      const nested = childElements(item).filter(isList);
      const own =
        nested.length === 0
          ? shownText(page, item, LONGEST)
          : tidy(
              item.children
                .map((child) =>
                  child.kind === 'text' ? child.text : child.kind === 'element' && !isList(child) ? shownText(page, child, LONGEST) : '',
                )
                .join(' '),
            );
      return { text: own, nested: nested.flatMap((inner) => itemsOf(page, inner, depth + 1)) };
    });
}

function typedItem({ line, marker, nested }: TypedItem<TypedLine>): ListItemView {
  return { text: tidy(line.text.slice(marker.length)), nested: nested.map((item) => typedItem(item)) };
}
