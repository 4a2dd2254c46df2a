import { childElements, closest, tidy } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { shownText } from '../semantics/names.ts';
import { headingBefore, headingLevel } from '../semantics/outline.ts';
import type { ElementNode } from '../document/tree.ts';
import { contentRange, escapeText, insertAt, NO_SOURCE, renameTag } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';

/** Gives a table or an image its caption. */
export const remedy: Remedy = {
  name: 'add-caption',
  label: 'Add a caption',
  certain: false,
  needs: ['caption'],
  fields: ({ element }) => [
    {
      name: 'caption',
      label: element.tag === 'table' ? 'What does the table list?' : 'What has the image to do with the text?',
      kind: 'text',
    },
  ],
  propose: ({ page, element }) => ({ caption: element.tag === 'table' ? captionFor(page, element) : '' }),
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

/** The heading a table stands under, for the first table that does: two tables of one name are no better told apart than without. */
function captionFor(page: Page, table: ElementNode): string {
  const heading = headingBefore(page, table);
  if (!heading) return '';
  const before = tagged(page, 'table').filter((one) => one.order < table.order && one.order > heading.element.order);
  return before.length > 0 || captions(page).has(heading.name) ? '' : heading.name;
}

const captions = fact((page: Page) => new Set(tagged(page, 'caption').map((caption) => tidy(shownText(page, caption)))));

/** A figure around the image; a paragraph that holds nothing else becomes the figure, a figure without a caption gets one. */
function captionImage(page: Page, image: ElementNode, caption: string): Plan {
  const words = `<figcaption>${escapeText(caption)}</figcaption>`;
  const figure = closest(image, (up) => up.tag === 'figure');
  if (figure) return figure.endTag ? planned(insertAt(figure.endTag.start, words)) : decline(NO_SOURCE);
  if (!image.range) return decline(NO_SOURCE);
  if (closest(image, (up) => headingLevel(up) !== null))
    return decline('The image stands in a heading, which can hold no caption; move the image out of it first, in Source or Text.');
  const paragraph = closest(image, (up) => up.tag === 'p');
  if (!paragraph) return planned(insertAt(image.range.start, '<figure>'), insertAt(image.range.end, `${words}</figure>`));
  const renamed = renameTag(page, paragraph, 'figure');
  if (!renamed || !paragraph.endTag) return decline(NO_SOURCE);
  return planned(insertAt(paragraph.endTag.start, words), renamed);
}
