import { childElements } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { dropAttribute, NO_SOURCE, renameTag, unwrap } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Makes plain text of a heading that is none, or of a list of one item. */
export const remedy: Remedy = {
  name: 'make-paragraph',
  label: 'Make it a paragraph',
  certain: false,
  fields: [],
  plan({ page, element }) {
    const list = element.tag === 'ul' || element.tag === 'ol' || element.tag === 'menu';
    const item = list ? childElements(element).find((child) => child.tag === 'li') : element;
    if (!item?.startTag) return decline(NO_SOURCE);
    const holdsBlocks = childElements(item).some(isBlock);
    const renamed = holdsBlocks ? unwrap(item) : renameTag(page, item, 'p');
    if (!renamed) return decline(NO_SOURCE);
    const dropped = ['aria-level', 'role']
      .map((name) => dropAttribute(page, item, name))
      .filter((edit) => edit !== null && !holdsBlocks) as typeof renamed;
    return planned(...(list ? unwrap(element) : []), ...renamed, ...dropped);
  },
};
