import { childElements, elementsIn, has, type ElementNode } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { gridOf } from '../semantics/tables.ts';
import { contentRange, dropAttribute, insertAt, NO_SOURCE, removal, renameTag, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';
import type { Page } from '../document/page.ts';
import { append } from '../source/lists.ts';

/** Takes from a layout table what only data tables have; a caption's words stay, before the table. */
export const remedy: Remedy = {
  name: 'strip-marks',
  label: 'Take the marks away',
  certain: true,
  fields: [],
  plan(target) {
    const plans = placesOf(target).map((table) => stripTable(target.page, table));
    return plans.every((edits) => edits !== null && edits.length > 0) ? planned(plans.flat() as Edit[]) : decline(NO_SOURCE);
  },
};

/** Null where a mark has no place in the source. The table says then that it lays out: nothing else is to be read into it. */
function stripTable(page: Page, table: ElementNode): Edit[] | null {
  if (!table.range) return null;
  const edits: (Edit | null)[] = has(table, 'role') ? [] : [setAttribute(table, 'role', 'presentation')];
  for (const { element: cell } of gridOf(table).cells) {
    if (cell.tag === 'th') append(edits, renameTag(page, cell, 'td') ?? [null]);
    if (has(cell, 'scope')) edits.push(dropAttribute(page, cell, 'scope'));
  }
  if (has(table, 'summary')) edits.push(dropAttribute(page, table, 'summary'));
  const caption =
    childElements(table).find((child) => child.tag === 'caption') ??
    [...elementsIn(table)].find((inner) => inner.tag === 'caption' && inner.parent === table);
  const content = caption && contentRange(caption);
  if (caption?.range && content) {
    const words = page.source.slice(content.start, content.end).trim();
    if (words) edits.push(insertAt(table.range.start, `<p>${words}</p>`));
    edits.push(removal(page, caption.range));
  }
  return edits.every((edit) => edit !== null) ? (edits as Edit[]) : null;
}
