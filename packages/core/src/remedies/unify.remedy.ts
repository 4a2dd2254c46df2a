import { tidy } from '../document/tree.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Describes an image here as it is described elsewhere. */
export const remedy: Remedy = {
  name: 'unify',
  label: 'Use the same words as elsewhere',
  certain: false,
  fields: [{ name: 'alt', label: 'Words for this image wherever it stands', kind: 'passage' }],
  propose: ({ finding }) => ({ alt: String(finding.values.other ?? '') }),
  plan({ element }, inputs) {
    const alt = tidy(inputs.alt ?? '');
    if (!alt) return decline('Write the words for this image.');
    const edit = setAttribute(element, 'alt', alt);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
