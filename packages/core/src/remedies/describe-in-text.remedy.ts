import { tidy } from '../document/tree.ts';
import { escapeText, NO_SOURCE, insertAt, lineStyle, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Writes a paragraph before a table that says how to read it, and ties the table to it. */
export const remedy: Remedy = {
  name: 'describe-in-text',
  label: 'Say how to read it',
  certain: false,
  fields: [
    {
      name: 'text',
      label: 'What are its rows and columns, and what matters in it?',
      kind: 'passage',
      lines: true,
      hint: 'It becomes a paragraph before the table.',
    },
  ],
  propose: () => ({ text: '' }),
  plan({ page, element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write how the table is to be read.');
    if (!element.range) return decline(NO_SOURCE);
    const id = freeId(page, `about-${text.split(' ').slice(0, 4).join(' ')}`);
    const pointer = setAttribute(element, 'aria-describedby', id);
    const { newline, indent } = lineStyle(page, element.range.start);
    return pointer
      ? planned(insertAt(element.range.start, `<p id="${id}">${escapeText(text)}</p>${newline}${indent}`), pointer)
      : decline(NO_SOURCE);
  },
};
