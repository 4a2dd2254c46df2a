import { childElements, elementsIn, closestWithin } from '../document/tree.ts';
import { insertAt, NO_SOURCE, missingEnd } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { headingLevel } from '../semantics/outline.ts';
import { imitatedHeadings } from '../semantics/imitatedHeadings.ts';

/** Moves what stands directly in a list into the item before it; where there is none, it becomes an item itself. */
export const remedy: Remedy = {
  name: 'move-into-item',
  label: 'Move it into the item before it',
  certain: true,
  fields: [],
  plan({ page, element }) {
    if (!element.range || !element.startTag) return decline(NO_SOURCE);
    // A heading in a list heads the items after it: that it belongs to the one before is a guess.
    if (headingLevel(element) !== null || [...elementsIn(element)].some((inner) => headingLevel(inner) !== null))
      return decline('A heading stands in this list; end the list before it, in Source.');
    if (imitatedHeadings(page).some((line) => line.element === element || closestWithin(line.element, 6, (up) => up === element)))
      return decline('A line that may be a heading stands here; settle that first.');
    let { end } = element.range;
    if (!element.endTag) while (end > element.range.start && /\s/.test(page.source[end - 1]!)) end--;
    const close = missingEnd(element);
    const siblings = childElements(element.parent!);
    const item = siblings.slice(0, siblings.indexOf(element)).findLast((one) => one.tag === 'li');
    if (!item) return planned(insertAt(element.range.start, '<li>'), insertAt(end, `${close}</li>`));
    if (!item.range) return decline(NO_SOURCE);
    return item.endTag ? planned({ ...item.endTag, text: '' }, insertAt(end, `${close}</li>`)) : decline(NO_SOURCE);
  },
};
