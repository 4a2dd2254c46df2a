import { tidy } from '../document/tree.ts';
import { addressOf, fileNameOf } from '../semantics/images.ts';
import { escapeText, NO_SOURCE, setAttribute } from './markup.ts';
import { blockAfter, freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Tells after a chart what can be read from it, and ties the chart to that text. */
export const remedy: Remedy = {
  name: 'point-to-text',
  label: 'Tell it in the text',
  certain: false,
  fields: [
    {
      name: 'text',
      label: 'What can be read from it?',
      kind: 'passage',
      lines: true,
      hint: 'It becomes a paragraph after the image, for all readers.',
    },
  ],
  propose: () => ({ text: '' }),
  plan({ page, element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write what can be read from the image.');
    const id = freeId(page, `about-${fileNameOf(addressOf(element)).replace(/\.\w+$/, '')}`);
    const [pointer, paragraph] = [
      setAttribute(element, 'aria-describedby', id),
      blockAfter(page, element, `<p id="${id}">${escapeText(text)}</p>`),
    ];
    return pointer && paragraph ? planned(pointer, paragraph) : decline(NO_SOURCE);
  },
};
