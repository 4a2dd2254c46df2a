import { rawText, tidy } from '../document/tree.ts';
import { imagesIn } from '../semantics/images.ts';
import { NO_SOURCE, removal, unwrap } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Takes a link away and keeps what it holds; one that holds nothing goes whole. */
export const remedy: Remedy = {
  name: 'unlink',
  label: 'Take the link away',
  certain: false,
  fields: [],
  plan({ page, element }) {
    if (!element.startTag || !element.range) return decline(NO_SOURCE);
    const empty = tidy(rawText(element)) === '' && imagesIn(element).length === 0;
    return empty ? planned(removal(page, element.range)) : planned(...unwrap(element));
  },
};
