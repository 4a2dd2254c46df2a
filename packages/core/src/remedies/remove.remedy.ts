import { imagesIn } from '../semantics/pictures.ts';
import { NO_SOURCE, removal } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Takes out an element that holds nothing. */
export const remedy: Remedy = {
  name: 'remove',
  label: 'Take it out',
  certain: true,
  fields: [],
  plan({ page, element }) {
    if (!element.range) return decline(NO_SOURCE);
    if (imagesIn(element).length > 0) return decline('It holds a picture; taking it out would take the picture too.');
    return planned(removal(page, element.range));
  },
};
