import { tidy, valueOf } from '../document/tree.ts';
import { dropAttribute, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Makes an image's tooltip its alternative. */
export const remedy: Remedy = {
  name: 'title-to-alt',
  label: 'Make the tooltip its alternative text',
  certain: false,
  fields: [{ name: 'alt', label: 'Alternative', kind: 'passage' }],
  propose: ({ element }) => ({ alt: tidy(valueOf(element, 'title') ?? '') }),
  plan(target, inputs) {
    const alt = tidy(inputs.alt ?? '');
    if (!alt) return decline('Write a description.');
    const edits = placesOf(target).flatMap((place) => [setAttribute(place, 'alt', alt), dropAttribute(target.page, place, 'title')]);
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};
