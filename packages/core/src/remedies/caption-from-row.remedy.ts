import { elementParent, type ElementNode } from '../document/tree.ts';
import { gridOf } from '../semantics/tables.ts';
import { contentRange, insertAt, NO_SOURCE, removal } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Makes a table's caption of its first row, or of the line above it. */
export const remedy: Remedy = {
  name: 'caption-from-row',
  label: 'Make it the caption',
  certain: false,
  fields: [],
  plan({ page, element, finding }) {
    const [holder, whole] = finding.message === 'row' ? firstRow(element) : lineAbove(element);
    const content = holder && contentRange(holder);
    if (!content || !whole?.range || !element.startTag) return decline(NO_SOURCE);
    const words = page.source.slice(content.start, content.end).trim();
    return planned(insertAt(element.startTag.end, `<caption>${withoutBreaks(words)}</caption>`), removal(page, whole.range));
  },
};

function firstRow(table: ElementNode): [ElementNode | null, ElementNode | null] {
  const cell = gridOf(table).cells[0]?.element ?? null;
  return [cell, cell && elementParent(cell)];
}

function lineAbove(table: ElementNode): [ElementNode | null, ElementNode | null] {
  const line = table.parent!.children.slice(0, table.index).findLast((node): node is ElementNode => node.kind === 'element') ?? null;
  return [line, line];
}

/** A break at the end of a line is not part of its words. */
function withoutBreaks(markup: string): string {
  return markup.replace(/(?:\s*<br\s*\/?>)+$/i, '');
}
