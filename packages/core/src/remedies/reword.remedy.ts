import { elementsIn, tidy } from '../document/tree.ts';
import { shownText } from '../semantics/names.ts';
import { isAddress, isVagueText } from '../semantics/wording.ts';
import { contentRange, escapeText, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a link new words. */
export const remedy: Remedy = {
  name: 'reword',
  label: 'Reword the link',
  certain: false,
  fields: [{ name: 'text', label: 'What will the reader find there?', kind: 'text' }],
  propose: ({ page, element }) => ({ text: shownText(page, element) }),
  plan({ element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write the link’s new text.');
    if (isVagueText(text) || isAddress(text)) return decline('This still does not say where the link goes.');
    if ([...elementsIn(element)].some((inner) => ['img', 'svg', 'picture', 'button'].includes(inner.tag))) return decline('The link holds a picture; describe the picture, or mend the link in Source.');
    const content = contentRange(element);
    return content && element.endTag ? planned({ ...content, text: escapeText(text) }) : decline(NO_SOURCE);
  },
};
