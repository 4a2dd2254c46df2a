import { childElements, type ElementNode } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { dropAttribute, NO_SOURCE, renameTag, unwrap } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';

/** Makes plain text of a heading that is none, or of a list of one item. */
export const remedy: Remedy = {
  name: 'make-paragraph',
  label: 'Make it a paragraph',
  certain: false,
  fields: [],
  plan(target) {
    const edits = placesOf(target).map((element) => asParagraph(target.page, element));
    return edits.every((one) => one !== null) ? planned(edits.flat()) : decline(NO_SOURCE);
  },
};

/** Null where the markup has no source of its own. */
function asParagraph(page: Page, element: ElementNode): Edit[] | null {
  const list = element.tag === 'ul' || element.tag === 'ol' || element.tag === 'menu';
  const item = list ? childElements(element).find((child) => child.tag === 'li') : element;
  if (!item?.startTag) return null;
  const holdsBlocks = childElements(item).some(isBlock);
  const renamed = holdsBlocks ? unwrap(item) : renameTag(page, item, 'p');
  if (!renamed) return null;
  const dropped = ['aria-level', 'role']
    .map((name) => dropAttribute(page, item, name))
    .filter((edit) => edit !== null && !holdsBlocks) as typeof renamed;
  return [...(list ? unwrap(element) : []), ...renamed, ...dropped];
}
