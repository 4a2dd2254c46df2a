import { elementParent, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { pathOf } from '../document/paths.ts';
import { auditPage } from '../audit/run.ts';
import { knownTables } from '../semantics/dataTables.ts';
import { images } from '../semantics/imageContext.ts';
import { links, opensWindow } from '../semantics/links.ts';
import { realLists } from '../semantics/lists.ts';
import { nameOf } from '../semantics/names.ts';
import { outline } from '../semantics/outline.ts';
import { addressOf, fileNameOf } from '../semantics/images.ts';
import { roleOf } from '../semantics/roles.ts';
import { headersOf } from '../semantics/tableHeaders.ts';
import { typedLists } from '../semantics/typedLists.ts';

export interface OutlineRow {
  path: string;
  level: number;
  text: string;
  /** Path of the heading it is under; null at the top. */
  parent: string | null;
}

export function inspectOutline(page: Page): OutlineRow[] {
  return outline(page).map(({ element, level, name, under }) => ({
    path: pathOf(page, element),
    level,
    text: name,
    parent: under && pathOf(page, under.element),
  }));
}

export interface TableRow {
  path: string;
  use: 'data' | 'layout';
  caption: string;
  rows: number;
  columns: number;
  cells: { path: string; row: number; column: number; rowSpan: number; colSpan: number; header: boolean; headers: string[] }[];
}

/**
 * Grids and headers after the HTML standard's table model. A use that evidence leaves open counts as data: nothing is hidden by a guess.
 */
export function inspectTables(page: Page): TableRow[] {
  return knownTables(page).map(({ element, use, grid }) => ({
    path: pathOf(page, element),
    use: use === 'layout' ? 'layout' : 'data',
    caption: nameOf(page, element).name,
    rows: grid.rows,
    columns: grid.columns,
    cells: grid.cells.map(({ element: cell, row, column, rowSpan, colSpan }) => ({
      path: pathOf(page, cell),
      row,
      column,
      rowSpan,
      colSpan,
      header: cell.tag === 'th',
      headers: headersOf(page, element, cell).map((head) => pathOf(page, head)),
    })),
  }));
}

export interface ListRow {
  path: string;
  kind: 'ordered' | 'unordered' | 'description';
  items: number;
  /** 0 for a list in no other. */
  depth: number;
  typed?: true;
}

export function inspectLists(page: Page): ListRow[] {
  return listsOn(page).map(({ element, ...row }) => ({ path: pathOf(page, element), ...row }));
}

/** Real lists and typed ones in document order, each with its element; of a typed one the block it begins in. */
export function listsOn(page: Page): (Omit<ListRow, 'path'> & { element: ElementNode })[] {
  const depths = new Map<ElementNode, number>();
  const real = realLists(page).map(({ element, kind, items }) => {
    let depth = 0;
    for (let up = elementParent(element); up && depth === 0; up = elementParent(up)) if (depths.has(up)) depth = depths.get(up)! + 1;
    depths.set(element, depth);
    return { element, kind, items: items.length, depth };
  });
  const typed = typedLists(page).map(({ items, lines }) => ({
    element: lines[0]!.block,
    kind: items[0]!.marker.kind === 'bullet' ? ('unordered' as const) : ('ordered' as const),
    items: items.length,
    depth: 0,
    typed: true as const,
  }));
  return [...real, ...typed].sort((a, b) => a.element.order - b.element.order);
}

export interface LinkRow {
  path: string;
  name: string;
  href: string;
  target: string | null;
  newWindow: boolean;
  /** Ids of the rules that speak of it. */
  problems: string[];
}

export function inspectLinks(page: Page): LinkRow[] {
  const problems = new Map<string, string[]>();
  for (const { rule, at } of auditPage(page).findings) problems.set(at.path, [...(problems.get(at.path) ?? []), rule]);
  return links(page).map(({ element, name, href }) => {
    const path = pathOf(page, element);
    return {
      path,
      name,
      href,
      target: valueOf(element, 'target'),
      newWindow: opensWindow(element),
      problems: [...new Set(problems.get(path) ?? [])],
    };
  });
}

export interface ImageRow {
  path: string;
  src: string;
  /** Null when it has no alternative at all. */
  alt: string | null;
  name: string;
  decorative: boolean;
  fileName: string;
}

export function inspectImages(page: Page): ImageRow[] {
  return images(page).map((image) => {
    const src = addressOf(image);
    return {
      path: pathOf(page, image),
      src,
      alt: valueOf(image, 'alt'),
      name: nameOf(page, image).name,
      decorative: roleOf(image) === 'presentation' || (has(image, 'alt') && tidy(valueOf(image, 'alt')!) === ''),
      fileName: fileNameOf(src),
    };
  });
}
