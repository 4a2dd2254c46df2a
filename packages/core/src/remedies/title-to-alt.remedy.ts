import { tidy, valueOf } from '../document/tree.ts';
import { dropAttribute, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Makes an image's tooltip its alternative. */
export const remedy: Remedy = {
  name: 'title-to-alt',
  label: 'Make the tooltip its alternative text',
  certain: false,
  fields: [{ name: 'alt', label: 'Alternative', kind: 'passage' }],
  propose: ({ element }) => ({ alt: tidy(valueOf(element, 'title') ?? '') }),
  plan({ page, element }, inputs) {
    const alt = tidy(inputs.alt ?? '');
    if (!alt) return decline('Write a description.');
    const [set, dropped] = [setAttribute(element, 'alt', alt), dropAttribute(page, element, 'title')];
    return set && dropped ? planned(set, dropped) : decline(NO_SOURCE);
  },
};
