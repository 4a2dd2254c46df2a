import { dropAttribute, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Lets a link open where the reader is. */
export const remedy: Remedy = {
  name: 'same-window',
  label: 'Open it in the same window',
  certain: true,
  fields: [],
  plan(target) {
    const edits = placesOf(target).map((element) => dropAttribute(target.page, element, 'target'));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
