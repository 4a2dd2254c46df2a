import { tidy } from '../document/tree.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a frame or an embedded object its title. */
export const remedy: Remedy = {
  name: 'name',
  label: 'Give it a title',
  certain: false,
  fields: [{ name: 'title', label: 'What is in it?', kind: 'text' }],
  propose: () => ({ title: '' }),
  plan({ element }, inputs) {
    const title = tidy(inputs.title ?? '');
    if (!title) return decline('Write what is in it.');
    const edit = setAttribute(element, 'title', title);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
