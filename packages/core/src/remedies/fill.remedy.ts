import { childElements, tidy, type ElementNode } from '../document/tree.ts';
import { isLink } from '../semantics/roles.ts';
import { imagesIn } from '../semantics/images.ts';
import { headingLevel } from '../semantics/outline.ts';
import { contentRange, escapeText, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives an empty heading, link, button or header cell its words: as text, as a value, or as the alternative of the only image in it. */
export const remedy: Remedy = {
  name: 'fill',
  label: 'Write its text',
  certain: false,
  needs: ['text'],
  fields: ({ element }) => [
    {
      name: 'text',
      label: questionOf(element),
      kind: 'text',
    },
  ],
  propose({ page, element }) {
    const address = element.attributes.find((attribute) => attribute.name === 'href')?.value;
    return { text: (address && page.surroundings.titleOf?.(address)) ?? '' };
  },
  plan({ element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write some text first.');
    if (element.tag === 'input') {
      const edit = setAttribute(element, 'value', text);
      return edit ? planned(edit) : decline(NO_SOURCE);
    }
    const image = imagesIn(element)[0];
    const described = image && setAttribute(image, 'alt', text);
    if (described) return planned(described);
    // A drawing stays, and the name stands beside it.
    const drawn = childElements(element).length > 0 ? setAttribute(element, 'aria-label', text) : null;
    if (drawn) return planned(drawn);
    const content = contentRange(element);
    // A header cell may leave its end tag out.
    if (!content || !(element.endTag || element.tag === 'th')) return decline(NO_SOURCE);
    return planned({ ...content, text: escapeText(text) });
  },
};

function questionOf(element: ElementNode): string {
  if (element.tag === 'th') return 'What do the cells it heads hold?';
  if (headingLevel(element) !== null) return 'What is this section about?';
  return isLink(element) ? 'Where does the link go?' : 'What does the button do?';
}
