import { NO_SOURCE } from './markup.ts';
import { setDeclaration } from './styling.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a link in running text the line that shows it. */
export const remedy: Remedy = {
  name: 'underline',
  label: 'Underline it',
  certain: true,
  fields: [],
  plan({ element }) {
    const edit = setDeclaration(element, 'text-decoration', 'underline');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
