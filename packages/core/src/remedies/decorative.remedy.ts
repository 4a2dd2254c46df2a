import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { nameOf } from '../semantics/names.ts';
import { controlAround } from '../semantics/roles.ts';
import type { Page } from '../document/page.ts';
import { dropAttribute, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Marks an image as one that adds nothing, so that it is passed over. */
export const remedy: Remedy = {
  name: 'decorative',
  label: 'It only decorates',
  certain: ['images/decorative-mixed'],
  fields: [],
  plan({ page, element, finding }) {
    const places = placesOf({ page, element, finding });
    if (finding.rule !== 'images/decorative-mixed' && places.some((place) => isOnlyName(page, place)))
      return decline('This image is all that its link or button holds; without words it would have no name. Describe where it leads.');
    // Words that somebody wrote are not thrown away without a person.
    if (finding.rule === 'images/decorative-mixed' && places.some((place) => tidy(valueOf(place, 'alt') ?? '') !== ''))
      return decline('It has a description as well; say which of the two is meant.');
    const edits = places
      .map((place) => (place.tag === 'img' ? onlyDecorative(page, place) : [setAttribute(place, 'aria-hidden', 'true')]))
      .flat();
    return edits.length > 0 && edits.every((edit) => edit !== null) ? planned(edits as Edit[]) : decline(NO_SOURCE);
  },
};

/** Empties the alternative and takes away what else names the image; a role that says so is said by the empty alternative. */
function onlyDecorative(page: Page, element: ElementNode): (Edit | null)[] {
  const dropped = ['title', 'aria-label', 'tabindex'].map((name) => dropAttribute(page, element, name)).filter((edit) => edit !== null);
  const emptied = valueOf(element, 'alt') === '' ? [] : [setAttribute(element, 'alt', '')];
  return [...dropped, ...emptied];
}

function isOnlyName(page: Page, element: ElementNode): boolean {
  const control = controlAround(page, element);
  if (!control) return element.tag === 'input' || element.tag === 'area';
  const own = nameOf(page, element).name;
  const whole = nameOf(page, control).name;
  return whole === '' || whole === own;
}
