import type { Edit } from '../source/edits.ts';
import { applyChange, changeOf } from '../source/edits.ts';
import { attributeOf, childElements, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { elementAt } from '../document/paths.ts';
import type { Page } from '../document/page.ts';
import { headingLevel } from '../semantics/outline.ts';
import { shownText } from '../semantics/names.ts';
import { gridOf, type Cell } from '../semantics/tables.ts';
import type { RemedyResult } from './apply.ts';
import { contentRange, dropAttribute, escapeText, insertAt, NO_SOURCE, removal, renameTag, setAttribute, nameEnd } from './markup.ts';
import { REMEDIES } from './registry.ts';
import { levelPlan } from './set-level.remedy.ts';
import { likelyDepth, scopeFor, type HeaderDepth } from './set-headers.remedy.ts';
import { decline, planned, type Inputs, type Plan } from './types.ts';
import type { RemedyName } from './names.ts';
import { append } from '../source/lists.ts';

/** Which cells of a table head the others. */
export type Headers = 'row' | 'column' | 'both' | 'none';

export interface CellFill {
  path: string;
  text: string;
}

/** A change of structure that a person makes whether or not a finding speaks of it. */
export type Arrangement =
  /** Levels by path. A line that is no heading becomes one; level 0 makes a paragraph of a heading. */
  | { kind: 'levels'; levels: readonly { path: string; level: number }[] }
  /** `depth`: how many rows and columns of headers, where it is not the usual. `fills`: words for header cells that have none, by path. */
  | { kind: 'table'; path: string; headers: Headers; caption: string; depth?: HeaderDepth; fills?: readonly CellFill[] }
  | { kind: 'flatten'; path: string; order: 'rows' | 'columns' };

/** Plans and applies a change of structure; every byte outside its edits stays. Declines with a sentence for a person. */
export function arrange(page: Page, wish: Arrangement): RemedyResult {
  const plan = planOf(page, wish);
  if (!plan.ok) return plan;
  const change = changeOf(page.source, plan.value);
  if (!change.ok) return decline('These changes get in each other’s way here. Make them one at a time, or in Source.');
  const after = applyChange(page.source, change.value);
  return after.ok && after.value !== page.source
    ? { ok: true, value: { change: change.value, after: after.value } }
    : decline('This would change nothing.');
}

function planOf(page: Page, wish: Arrangement): Plan {
  switch (wish.kind) {
    case 'levels':
      return levelsPlan(page, wish.levels);
    case 'table':
      return tablePlan(page, wish);
    case 'flatten':
      return byRemedy(page, wish.path, 'flatten', { order: wish.order });
  }
}

const GONE = 'A part of the page that this speaks of is no longer there.';

/** Lets a remedy act where no finding points. */
export function byRemedy(page: Page, path: string, name: RemedyName, inputs: Inputs): Plan {
  const element = elementAt(page, path);
  if (!element) return decline(GONE);
  const range = element.range ?? { start: 0, end: 0 };
  return REMEDIES[name].plan(
    { page, element, finding: { rule: '', message: '', values: {}, at: { path, ...range, line: 1, column: 1 } } },
    inputs,
  );
}

function levelsPlan(page: Page, levels: readonly { path: string; level: number }[]): Plan {
  const edits: Edit[] = [];
  for (const { path, level } of levels) {
    const element = elementAt(page, path);
    if (!element) return decline(GONE);
    if (!Number.isInteger(level) || level < 0 || level > 6) return decline('Levels go from 1 to 6.');
    const is = headingLevel(element);
    if (is === level) continue;
    const plan =
      is === null
        ? byRemedy(page, path, 'make-heading', { level: String(level) })
        : level === 0
          ? byRemedy(page, path, 'make-paragraph', {})
          : levelPlan(page, element, level);
    if (!plan.ok) return plan;
    append(edits, plan.value);
  }
  return planned(edits);
}

function tablePlan(page: Page, wish: Extract<Arrangement, { kind: 'table' }>): Plan {
  const { path, headers, caption, fills = [] } = wish;
  const table = elementAt(page, path);
  if (!table || table.tag !== 'table') return decline(GONE);
  const grid = gridOf(table);
  const depth = wish.depth ?? likelyDepth(grid);
  const edits: Edit[] = [];
  for (const { path: at, text } of fills) {
    const cell = grid.cells.find(({ element }) => element === elementAt(page, at));
    if (!cell) return decline(GONE);
    if (shownText(page, cell.element, 1) !== '') return decline('This cell has words already.');
    const filled = fillEdit(cell.element, tidy(text));
    if (!filled) return decline(NO_SOURCE);
    append(edits, filled);
  }
  for (const cell of grid.cells) {
    const inside = cell.row >= depth.rows && cell.column >= depth.columns;
    const changed = cellEdits(page, cell, headers === 'none' ? null : scopeFor(page, cell, grid, headers, depth), inside);
    if (!changed) return decline(NO_SOURCE);
    append(edits, changed);
  }
  const captioned = captionEdits(page, table, tidy(caption));
  return captioned ? planned(edits, captioned) : decline(NO_SOURCE);
}

/** Words for a cell that has none: what it holds besides, such as a space that keeps it open, goes. */
function fillEdit(cell: ElementNode, text: string): Edit[] | null {
  if (!text) return [];
  const content = contentRange(cell);
  return content && [{ ...content, text: escapeText(text) }];
}

/** What makes a cell a header of a scope, or a plain cell. Cells that head inner rows and columns by a hand of their own are left alone. */
function cellEdits(page: Page, { element }: Cell, scope: string | null, inside: boolean): Edit[] | null {
  const isHeader = element.tag === 'th';
  if (scope === null) {
    if (!isHeader || inside) return [];
    const renamed = renameTag(page, element, 'td');
    const dropped = dropAttribute(page, element, 'scope');
    return renamed && [...renamed, ...(dropped ? [dropped] : [])];
  }
  if (isHeader) {
    if (valueOf(element, 'scope')?.trim().toLowerCase() === scope) return [];
    const set = setAttribute(element, 'scope', scope);
    return set && [set];
  }
  const renamed = renameTag(page, element, 'th');
  if (!renamed) return null;
  if (attributeOf(element, 'scope')) return [...renamed, setAttribute(element, 'scope', scope)!];
  return [...renamed, insertAt(nameEnd(element)!, ` scope="${scope}"`)];
}

/** The caption as written: set, replaced when its words differ, taken away when empty. */
function captionEdits(page: Page, table: ElementNode, caption: string): Edit[] | null {
  const existing = childElements(table).find((child) => child.tag === 'caption');
  if (!existing) {
    if (!caption) return [];
    return table.startTag && [insertAt(table.startTag.end, `<caption>${escapeText(caption)}</caption>`)];
  }
  if (shownText(page, existing) === caption) return [];
  const content = contentRange(existing);
  if (!content || !existing.range) return null;
  return caption ? [{ ...content, text: escapeText(caption) }] : [removal(page, existing.range)];
}
