import { tidy } from '../document/tree.ts';
import { imagesIn } from '../semantics/pictures.ts';
import { headingLevel } from '../semantics/outline.ts';
import { contentRange, escapeText, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives an empty heading or link its words: as text, or as the alternative of the only picture in it. */
export const remedy: Remedy = {
  name: 'fill',
  label: 'Write its text',
  certain: false,
  fields: ({ element }) => [headingLevel(element) === null ? { name: 'text', label: 'Where does the link go?', kind: 'text' } : { name: 'text', label: 'What is this section about?', kind: 'text' }],
  propose({ page, element }) {
    const address = element.attributes.find((attribute) => attribute.name === 'href')?.value;
    return { text: (address && page.surroundings.titleOf?.(address)) ?? '' };
  },
  plan({ element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write some text first.');
    const picture = imagesIn(element)[0];
    const described = picture && setAttribute(picture, 'alt', text);
    if (described) return planned(described);
    const content = contentRange(element);
    if (!content || !element.endTag) return decline(NO_SOURCE);
    return planned({ ...content, text: escapeText(text) });
  },
};
