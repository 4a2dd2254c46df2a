import { dropAttribute, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Takes a tooltip away that repeats what is there. */
export const remedy: Remedy = {
  name: 'remove-title',
  label: 'Take the tooltip away',
  certain: true,
  fields: [],
  plan(target) {
    const edits = placesOf(target).map((element) => dropAttribute(target.page, element, 'title'));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
