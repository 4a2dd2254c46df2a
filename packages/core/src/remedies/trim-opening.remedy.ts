import { openingOf } from '../semantics/wording.ts';
import { writtenAlternative } from '../semantics/images.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Takes “image of” from the beginning of an alternative. */
export const remedy: Remedy = {
  name: 'trim-opening',
  label: 'Take the opening off',
  certain: true,
  fields: [],
  plan(target) {
    const { element } = target;
    const alt = writtenAlternative(element) ?? '';
    const opening = openingOf(alt);
    const rest = opening ? alt.slice(opening.length).replace(/^[\s:–-]+/, '') : '';
    if (!rest) return decline('Nothing would be left of the description.');
    const edits = placesOf(target).map((place) => setAttribute(place, 'alt', rest[0]!.toUpperCase() + rest.slice(1)));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
