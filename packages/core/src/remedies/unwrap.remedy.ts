import { childElements, type ElementNode } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { NO_SOURCE, renameTag, unwrap } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';

/** Takes markup away that only moves text in, and keeps the text. */
export const remedy: Remedy = {
  name: 'unwrap',
  label: 'Take this markup away',
  certain: false,
  fields: [],
  plan(target) {
    const edits = placesOf(target).map((element) => unwrapped(target.page, element));
    return edits.every((one) => one !== null) ? planned(edits.flat()) : decline(NO_SOURCE);
  },
};

/** Null where the markup has no source of its own. */
function unwrapped(page: Page, element: ElementNode): Edit[] | null {
  if (!element.startTag) return null;
  if (element.tag === 'dl') {
    const parts = childElements(element).map((part) => (childElements(part).some(isBlock) ? unwrap(part) : renameTag(page, part, 'p')));
    return parts.every((edits) => edits !== null) ? [...unwrap(element), ...(parts.flat() as Edit[])] : null;
  }
  if (childElements(element).some(isBlock)) return unwrap(element);
  return renameTag(page, element, 'p');
}
