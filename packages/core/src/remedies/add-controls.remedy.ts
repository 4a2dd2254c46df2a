import { insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Shows the browser's own controls on a player. */
export const remedy: Remedy = {
  name: 'add-controls',
  label: 'Show its controls',
  certain: true,
  fields: [],
  plan({ element }) {
    return element.startTag ? planned(insertAt(element.startTag.start + 1 + element.tag.length, ' controls')) : decline(NO_SOURCE);
  },
};
