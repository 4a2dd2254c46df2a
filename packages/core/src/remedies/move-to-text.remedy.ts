import { tidy } from '../document/tree.ts';
import { writtenAlternative } from '../semantics/images.ts';
import { escapeText, NO_SOURCE, setAttribute } from './markup.ts';
import { blockAfter } from './placing.ts';
import { firstClause } from './shorten.remedy.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Leaves the gist in the alternative and puts the rest into a paragraph after the image. */
export const remedy: Remedy = {
  name: 'move-to-text',
  label: 'Move the rest into the text',
  certain: false,
  fields: [
    { name: 'alt', label: 'The gist, for the alternative', kind: 'text' },
    { name: 'text', label: 'The whole, for the paragraph after it', kind: 'passage', lines: true },
  ],
  propose: ({ element }) => ({ alt: firstClause(writtenAlternative(element) ?? ''), text: writtenAlternative(element) ?? '' }),
  plan({ page, element }, inputs) {
    const [alt, text] = [tidy(inputs.alt ?? ''), tidy(inputs.text ?? '')];
    if (!alt || !text) return decline('Write both the gist and the text.');
    if (alt.length >= (writtenAlternative(element) ?? '').length) return decline('The gist is no shorter than what is there now.');
    const [set, paragraph] = [setAttribute(element, 'alt', alt), blockAfter(page, element, `<p>${escapeText(text)}</p>`)];
    return set && paragraph ? planned(set, paragraph) : decline(NO_SOURCE);
  },
};
