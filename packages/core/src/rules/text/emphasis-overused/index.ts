import { elementParent } from '../../../document/tree.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { countWords, passages } from '../../../semantics/passages.ts';
import type { Page } from '../../../document/page.ts';
import { styleOf } from '../../../style/cascade.ts';
import type { ElementNode, TextNode } from '../../../document/tree.ts';
import { defineRule } from '../../types.ts';

const LONG = 25;
const MOST = 0.6;

export const rule = defineRule({
  id: 'text/emphasis-overused',
  title: 'Most of a text in bold or marked',
  why: 'Where everything is stressed nothing is, and long bold text tires the eye.',
  fix: 'Stress only the words that matter.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: { bold: '{share} % of this text of {words} words is bold or marked' },
  end(page, tell) {
    for (const { block, text, words, texts, kept } of passages(page)) {
      if (kept || words < LONG || text.length <= 100 || isInside(page, block, IN.heading | IN.table | IN.code)) continue;
      const pieces = texts.filter((piece) => isStressed(page, elementParent(piece)!, block));
      if (pieces.length === 0) continue;
      const [stressed, all] = [wordsOf(pieces), wordsOf(texts)];
      if (all > 0 && stressed / all > MOST)
        tell({ at: block, message: 'bold', values: { share: Math.round((100 * stressed) / all), words }, subject: text });
    }
  },
});

function wordsOf(pieces: readonly TextNode[]): number {
  return pieces.reduce((sum, piece) => sum + countWords(piece.text), 0);
}

function isStressed(page: Page, element: ElementNode, block: ElementNode): boolean {
  const style = styleOf(page, element);
  const ground = styleOf(page, block).background;
  return (
    style.fontWeight >= 600 ||
    (element !== block &&
      style.background.a > 0 &&
      (style.background.r !== ground.r || style.background.g !== ground.g || style.background.b !== ground.b))
  );
}
