import { childElements, tidy } from '../document/tree.ts';
import { headingBefore } from '../semantics/outline.ts';
import { contentRange, escapeText, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a table its caption. */
export const remedy: Remedy = {
  name: 'add-caption',
  label: 'Add a caption',
  certain: false,
  fields: [{ name: 'caption', label: 'What does the table list?', kind: 'text' }],
  propose: ({ page, element }) => ({ caption: headingBefore(page, element)?.name ?? '' }),
  plan({ element }, inputs) {
    const caption = tidy(inputs.caption ?? '');
    if (!caption) return decline('Write what the table lists.');
    const existing = childElements(element).find((child) => child.tag === 'caption');
    const content = existing && contentRange(existing);
    if (content) return planned({ ...content, text: escapeText(caption) });
    if (!element.startTag) return decline(NO_SOURCE);
    return planned({ start: element.startTag.end, end: element.startTag.end, text: `<caption>${escapeText(caption)}</caption>` });
  },
};
