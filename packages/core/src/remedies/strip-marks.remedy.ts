import { childElements, elementsIn, has } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { gridOf } from '../semantics/tables.ts';
import { contentRange, dropAttribute, insertAt, NO_SOURCE, removal, renameTag } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Takes from a layout table what only data tables have; a caption's words stay, before the table. */
export const remedy: Remedy = {
  name: 'strip-marks',
  label: 'Take the marks away',
  certain: true,
  fields: [],
  plan({ page, element: table }) {
    if (!table.range) return decline(NO_SOURCE);
    const edits: (Edit | null)[] = [];
    for (const { element: cell } of gridOf(table).cells) {
      if (cell.tag === 'th') edits.push(...(renameTag(page, cell, 'td') ?? [null]));
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
    return edits.every((edit) => edit !== null) && edits.length > 0 ? planned(...(edits as Edit[])) : decline(NO_SOURCE);
  },
};
