import { placesOf } from './lastingColour.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Says on a block in which direction its text runs. */
export const remedy: Remedy = {
  name: 'set-direction',
  label: 'Say its direction',
  certain: true,
  fields: [],
  plan(target) {
    const direction = target.finding.message === 'right' ? 'rtl' : 'ltr';
    const edits = placesOf(target).map((block) => setAttribute(block, 'dir', direction));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
