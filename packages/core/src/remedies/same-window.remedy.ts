import { dropAttribute, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Lets a link open where the reader is. */
export const remedy: Remedy = {
  name: 'same-window',
  label: 'Open it in the same window',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const edit = dropAttribute(page, element, 'target');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
