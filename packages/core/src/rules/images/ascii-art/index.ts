import { nameOf } from '../../../semantics/names.ts';
import { passages } from '../../../semantics/passages.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/ascii-art',
  title: 'Image drawn with characters',
  why: 'It is read out sign by sign: “slash, slash, underscore”, for as long as it lasts.',
  fix: 'Say what it shows, and let the words stand in its place.',
  question: {
    ask: 'Is this an image made of characters?',
    yes: 'Yes, it needs words',
    no: 'No, its characters are to be read',
    same: ['words'],
  },
  criteria: ['1.1.1'],
  techniques: ['F72', 'H86'],
  weight: 'consider',
  scope: 'any',
  remedies: ['wrap-with-name'],
  messages: { drawn: 'This seems to be an image drawn with characters' },
  end(page, tell) {
    for (const { block, kept, texts } of passages(page)) {
      if (!kept || roleOf(block) === 'img' || nameOf(page, block).name) continue;
      if (looksDrawn(texts.map((text) => text.text).join(''))) tell({ at: block, message: 'drawn', outcome: 'cantTell' });
    }
  },
});

/** Several lines of which nearly all is neither letter nor digit. */
function looksDrawn(text: string): boolean {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  if (lines.length < 3) return false;
  const signs = text.replace(/\s/g, '');
  const letters = signs.match(/[\p{L}\p{N}]/gu)?.length ?? 0;
  return signs.length >= 12 && letters / signs.length < 0.2;
}
