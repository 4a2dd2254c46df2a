import { NO_SOURCE, setAttribute } from './markup.ts';
import { placesOf } from './lastingColour.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Marks layout tables as presentation, so that no rows and columns are told. */
export const remedy: Remedy = {
  name: 'keep-as-presentation',
  label: 'Mark it as presentation',
  certain: false,
  fields: [],
  plan(target) {
    const edits = placesOf(target).map((table) => setAttribute(table, 'role', 'presentation'));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
