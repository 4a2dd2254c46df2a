import { insertAt, NO_SOURCE, nameEnd, written } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Shows the browser's own controls on a player. */
export const remedy: Remedy = {
  name: 'add-controls',
  label: 'Show its controls',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const at = nameEnd(element);
    return at === null ? decline(NO_SOURCE) : planned(insertAt(at, written(page, 'controls')));
  },
};
