import { elementsIn, tidy, valueOf } from '../document/tree.ts';
import { shownText } from '../semantics/names.ts';
import { headingLevel } from '../semantics/outline.ts';
import { isAddress, isVagueText } from '../semantics/wording.ts';
import { contentRange, escapeText, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { roleOf } from '../semantics/roles.ts';
import { placesOf } from './lastingColour.ts';

/** Gives a link or a heading new words. */
export const remedy: Remedy = {
  name: 'reword',
  label: 'Reword it',
  certain: false,
  needs: ['text'],
  fields: ({ element }) => [
    {
      name: 'text',
      label:
        element.tag === 'caption'
          ? 'What does the table list?'
          : roleOf(element) === 'button'
            ? 'What does the button do?'
            : headingLevel(element) === null
              ? 'What will the reader find there?'
              : 'What is this section about?',
      kind: 'text',
    },
  ],
  // What is there now is of no use: the title of the page behind the link is the better beginning.
  propose: ({ page, element }) => ({ text: page.surroundings.titleOf?.(valueOf(element, 'href') ?? '') ?? '' }),
  plan(target, inputs) {
    const { page, element } = target;
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write the new text.');
    if (text === shownText(page, element)) return decline('This is what it says now.');
    if (headingLevel(element) === null && (isVagueText(text) || isAddress(text)))
      return decline('This still does not say where the link goes.');
    if ([...elementsIn(element)].some((inner) => ['img', 'svg', 'picture', 'button'].includes(inner.tag)))
      return decline('It holds an image; describe the image, or fix it in Source.');
    const edits = placesOf(target).map((place) => {
      const content = place.endTag && contentRange(place);
      return content ? { ...content, text: escapeText(text) } : null;
    });
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
