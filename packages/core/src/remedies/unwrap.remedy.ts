import { childElements } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { NO_SOURCE, renameTag, unwrap } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Takes markup away that only moves text in, and keeps the text. */
export const remedy: Remedy = {
  name: 'unwrap',
  label: 'Take this markup away',
  certain: false,
  fields: [],
  plan({ page, element }) {
    if (!element.startTag) return decline(NO_SOURCE);
    if (element.tag === 'dl') {
      const parts = childElements(element).map((part) => (childElements(part).some(isBlock) ? unwrap(part) : renameTag(page, part, 'p')));
      return parts.every((edits) => edits !== null)
        ? planned(...unwrap(element), ...(parts.flat() as ReturnType<typeof unwrap>))
        : decline(NO_SOURCE);
    }
    if (childElements(element).some(isBlock)) return planned(...unwrap(element));
    const renamed = renameTag(page, element, 'p');
    return renamed ? planned(...renamed) : decline(NO_SOURCE);
  },
};
