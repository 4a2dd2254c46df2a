import { childElements, closest, tidy } from '../document/tree.ts';
import { headingBefore } from '../semantics/outline.ts';
import type { ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { contentRange, escapeText, insertAt, NO_SOURCE, renameTag } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';

/** Gives a table or an image its caption. */
export const remedy: Remedy = {
  name: 'add-caption',
  label: 'Add a caption',
  certain: false,
  fields: ({ element }) => [
    {
      name: 'caption',
      label: element.tag === 'table' ? 'What does the table list?' : 'What has the image to do with the text?',
      kind: 'text',
    },
  ],
  propose: ({ page, element }) => ({ caption: element.tag === 'table' ? (headingBefore(page, element)?.name ?? '') : '' }),
  plan({ page, element }, inputs) {
    const caption = tidy(inputs.caption ?? '');
    if (!caption) return decline('Write the caption.');
    if (element.tag !== 'table') return captionImage(page, element, caption);
    const existing = childElements(element).find((child) => child.tag === 'caption');
    const content = existing && contentRange(existing);
    if (content) return planned({ ...content, text: escapeText(caption) });
    if (!element.startTag) return decline(NO_SOURCE);
    return planned({ start: element.startTag.end, end: element.startTag.end, text: `<caption>${escapeText(caption)}</caption>` });
  },
};

/** A figure around the image; a paragraph that holds nothing else becomes the figure, a figure without a caption gets one. */
function captionImage(page: Page, image: ElementNode, caption: string): Plan {
  const words = `<figcaption>${escapeText(caption)}</figcaption>`;
  const figure = closest(image, (up) => up.tag === 'figure');
  if (figure) return figure.endTag ? planned(insertAt(figure.endTag.start, words)) : decline(NO_SOURCE);
  if (!image.range) return decline(NO_SOURCE);
  const paragraph = closest(image, (up) => up.tag === 'p');
  if (!paragraph) return planned(insertAt(image.range.start, '<figure>'), insertAt(image.range.end, `${words}</figure>`));
  const renamed = renameTag(page, paragraph, 'figure');
  if (!renamed || !paragraph.endTag) return decline(NO_SOURCE);
  return planned(insertAt(paragraph.endTag.start, words), ...renamed);
}
