import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Marks a layout table as presentation, so that no rows and columns are told. */
export const remedy: Remedy = {
  name: 'keep-as-presentation',
  label: 'Mark it as presentation',
  certain: false,
  fields: [],
  plan({ element }) {
    const edit = setAttribute(element, 'role', 'presentation');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
