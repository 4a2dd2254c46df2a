import { elementsIn, tidy, valueOf } from '../document/tree.ts';
import { shownText } from '../semantics/names.ts';
import { headingLevel } from '../semantics/outline.ts';
import { isAddress, isVagueText } from '../semantics/wording.ts';
import { contentRange, escapeText, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a link or a heading new words. */
export const remedy: Remedy = {
  name: 'reword',
  label: 'Reword it',
  certain: false,
  fields: ({ element }) => [
    {
      name: 'text',
      label: headingLevel(element) === null ? 'What will the reader find there?' : 'What is this section about?',
      kind: 'text',
    },
  ],
  // What is there now is of no use: the title of the page behind the link is the better beginning.
  propose: ({ page, element }) => ({ text: page.surroundings.titleOf?.(valueOf(element, 'href') ?? '') ?? '' }),
  plan({ page, element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write the new text.');
    if (text === shownText(page, element)) return decline('This is what it says now.');
    if (headingLevel(element) === null && (isVagueText(text) || isAddress(text)))
      return decline('This still does not say where the link goes.');
    if ([...elementsIn(element)].some((inner) => ['img', 'svg', 'picture', 'button'].includes(inner.tag)))
      return decline('It holds an image; describe the image, or fix it in Source.');
    const content = contentRange(element);
    return content && element.endTag ? planned({ ...content, text: escapeText(text) }) : decline(NO_SOURCE);
  },
};
