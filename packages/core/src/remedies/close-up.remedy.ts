import { passagesByBlock } from '../semantics/passages.ts';
import { spacedWord } from '../semantics/spacedLetters.ts';
import type { Edit } from '../source/edits.ts';
import { NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

const SPACE = '(?:&nbsp;|&#160;|&#xa0;|[ \\u00a0])';
const ONE = new RegExp(`(?<=\\p{L})${SPACE}(?=\\p{L}(?:${SPACE}|[^\\p{L}]|$))`, 'giu');

/** Writes a spaced word together. */
export const remedy: Remedy = {
  name: 'close-up',
  label: 'Write the word together',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const passage = (passagesByBlock(page).get(element) ?? []).find((one) => spacedWord(one.text));
    const edits: Edit[] = [];
    for (const { range } of passage?.texts ?? []) {
      if (!range) return decline(NO_SOURCE);
      const written = page.source.slice(range.start, range.end);
      for (const found of written.matchAll(ONE))
        edits.push({ start: range.start + found.index, end: range.start + found.index + found[0].length, text: '' });
    }
    return edits.length > 0 ? planned(edits) : decline('These letters are written in a way that cannot be fixed here; fix them in Source.');
  },
};
