import { passages } from '../../../semantics/passages.ts';
import { spacedWord } from '../../../semantics/spacedLetters.ts';
import { defineRule } from '../../types.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { elementParent } from '../../../document/tree.ts';

export const rule = defineRule({
  id: 'text/spaced-letters',
  title: 'Word spelled with spaces',
  why: 'It is read letter by letter, and nobody hears a word.',
  fix: 'Write the word together; wide letters are a matter of style.',
  criteria: ['1.3.2'],
  techniques: ['F32'],
  weight: 'must',
  scope: 'any',
  remedies: ['close-up'],
  messages: { spaced: '“{text}” is spelled with spaces between its letters' },
  end(page, tell) {
    for (const { block, text, texts, kept } of passages(page)) {
      // Letters that each lead somewhere are an index.
      const linked = texts.filter((one) => isInside(page, elementParent(one)!, IN.link)).length;
      const found = kept || linked > 1 ? null : spacedWord(text);
      if (found) tell({ at: block, message: 'spaced', values: { text: found }, subject: found });
    }
  },
});
