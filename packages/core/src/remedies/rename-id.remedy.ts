import { tidy, valueOf } from '../document/tree.ts';
import { anchors } from '../semantics/links.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives the second element of one id an id of its own. */
export const remedy: Remedy = {
  name: 'rename-id',
  label: 'Give this one its own id',
  certain: false,
  fields: [{ name: 'id', label: 'New id', kind: 'text', hint: 'Scripts and styles that mean this element have to follow.' }],
  propose: ({ page, element }) => ({ id: freeId(page, valueOf(element, 'id') ?? '') }),
  plan({ page, element }, inputs) {
    const id = tidy(inputs.id ?? '');
    if (!/^[a-z][\w.:-]*$/i.test(id)) return decline('Begin with a letter; use letters, digits and dashes.');
    if (anchors(page).has(id)) return decline('This id is taken on this page too.');
    const edit = setAttribute(element, 'id', id);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
