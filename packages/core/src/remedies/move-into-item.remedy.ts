import { childElements } from '../document/tree.ts';
import { insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Moves what stands directly in a list into the item before it; where there is none, it becomes an item itself. */
export const remedy: Remedy = {
  name: 'move-into-item',
  label: 'Move it into the item before it',
  certain: true,
  fields: [],
  plan({ page, element }) {
    if (!element.range || !element.startTag) return decline(NO_SOURCE);
    let { end } = element.range;
    if (!element.endTag) while (end > element.range.start && /\s/.test(page.source[end - 1]!)) end--;
    const close = element.endTag || ['img', 'br', 'hr', 'input'].includes(element.tag) ? '' : `</${element.tag}>`;
    const siblings = childElements(element.parent!);
    const item = siblings.slice(0, siblings.indexOf(element)).findLast((one) => one.tag === 'li');
    if (!item) return planned(insertAt(element.range.start, '<li>'), insertAt(end, `${close}</li>`));
    if (!item.range) return decline(NO_SOURCE);
    return item.endTag ? planned({ ...item.endTag, text: '' }, insertAt(end, `${close}</li>`)) : decline(NO_SOURCE);
  },
};
