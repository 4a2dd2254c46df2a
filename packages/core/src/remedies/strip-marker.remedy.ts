import type { Edit } from '../source/edits.ts';
import { rawText } from '../document/tree.ts';
import { realLists, repeatedMarker } from '../semantics/lists.ts';
import { markersOf } from '../semantics/markers.ts';
import { cutStart } from './cutText.ts';
import { NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { append } from '../source/lists.ts';

/** Takes the typed markers out of a list's items. */
export const remedy: Remedy = {
  name: 'strip-marker',
  label: 'Take the typed markers out',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const list = realLists(page).find((one) => one.element === element);
    const edits: Edit[] = [];
    for (const [place, item] of (list?.items ?? []).entries()) {
      const marker = repeatedMarker(page, list!, item, place);
      const written = marker && markersOf(rawText(item)).find((one) => one.style === marker.style);
      const cut = written && cutStart(page, item.children, written.length);
      if (marker && !cut) return decline(NO_SOURCE);
      append(edits, cut ?? []);
    }
    return edits.length > 0 ? planned(edits) : decline('No typed marker is left in this list.');
  },
};
