import { emphasisByLook } from '../semantics/emphasis.ts';
import { NO_SOURCE, renameTag } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Makes strong of bold and emphasis of italics, all over the page. */
export const remedy: Remedy = {
  name: 'mean-it',
  label: 'Give the emphasis its meaning',
  certain: false,
  fields: [],
  plan({ page, element }) {
    const tag = element.tag === 'b' ? 'b' : 'i';
    const edits = emphasisByLook(page, tag).map((one) => renameTag(page, one, tag === 'b' ? 'strong' : 'em'));
    return edits.length > 0 && edits.every((one) => one !== null) ? planned(edits.flat()) : decline(NO_SOURCE);
  },
};
