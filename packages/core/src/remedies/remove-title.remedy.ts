import { dropAttribute, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Takes a tooltip away that repeats what is there. */
export const remedy: Remedy = {
  name: 'remove-title',
  label: 'Take the tooltip away',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const edit = dropAttribute(page, element, 'title');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
