import { insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Closes an element right where it begins, so that what follows is part of the page again. */
export const remedy: Remedy = {
  name: 'close',
  label: 'Close it here',
  certain: true,
  fields: [],
  plan({ page, element }) {
    if (!element.startTag) return decline(NO_SOURCE);
    const slash = /\s*\/>$/.exec(page.source.slice(element.startTag.start, element.startTag.end));
    const close = insertAt(element.startTag.end, `</${element.tag}>`);
    return planned(slash ? [{ start: element.startTag.end - slash[0].length, end: element.startTag.end, text: '>' }] : [], close);
  },
};
