import { elementsIn, tidy, valueOf } from '../document/tree.ts';
import { isAddress, isVagueText } from '../semantics/wording.ts';
import { contentRange, escapeText, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a link new words. */
export const remedy: Remedy = {
  name: 'reword',
  label: 'Reword the link',
  certain: false,
  fields: [{ name: 'text', label: 'What will the reader find there?', kind: 'text' }],
  // What is there now is of no use: the title of the page behind the link is the better beginning.
  propose: ({ page, element }) => ({ text: page.surroundings.titleOf?.(valueOf(element, 'href') ?? '') ?? '' }),
  plan({ element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write the link’s new text.');
    if (isVagueText(text) || isAddress(text)) return decline('This still does not say where the link goes.');
    if ([...elementsIn(element)].some((inner) => ['img', 'svg', 'picture', 'button'].includes(inner.tag))) return decline('The link holds a picture; describe the picture, or mend the link in Source.');
    const content = contentRange(element);
    return content && element.endTag ? planned({ ...content, text: escapeText(text) }) : decline(NO_SOURCE);
  },
};
