import { defineRule } from '../../types.ts';
import { passages, countWords } from '../../../semantics/passages.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { elementParent } from '../../../document/tree.ts';
export const rule = defineRule({
  id: 'text/filler',
  title: 'Text that stands in for something',
  why: 'Readers meet words that mean nothing, and wonder what they miss.',
  fix: 'Write what belongs here, or take it out.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['remove'],
  messages: {
    filler: 'This is text of a template: “{text}”',
    code: 'A code was never replaced by what it stands for: “{text}”',
  },
  end(page, tell) {
    for (const { block, text, texts, kept } of passages(page)) {
      if (kept || text.length > 2_000 || texts.some((one) => isInside(page, elementParent(one)!, IN.code))) continue;
      const lower = text.toLowerCase();
      const filler = holdsFiller(lower);
      if (filler)
        tell({
          at: block,
          message: 'filler',
          values: { text },
          subject: text,
          ...(countWords(text) > 2 * countWords(filler) + 12 ? { remedies: [] } : {}),
        });
      else if (CODE.test(text)) tell({ at: block, message: 'code', values: { text }, subject: text, remedies: [] });
    }
  },
});

/** A whole passage that is a place for an embedded thing, or a field of a template. */
const CODE =
  /^(?:\[(?:embed|video|audio|gallery|caption|youtube|iframe|shortcode|insert|image|map|form)\b[^\]]*\](?:.*\[\/\w+\])?|\{\{[^{}]{1,80}\}\}|%%[\w ]{2,40}%%|<%[^%]{1,80}%>|\[\[[\w: -]{2,60}\]\]|\[(?:insert|your|enter|add)\b[^\]]{2,60}\])$/i;

/** A phrase of templates that a text is, begins with, or, of the unmistakable ones, holds. */
function holdsFiller(lower: string): string | null {
  for (const phrase of phrasesOf('fillers')) {
    const at = lower.indexOf(phrase);
    if (at < 0) continue;
    if (phrase.startsWith('lorem') ? at === 0 || /lorem ipsum dolor/.test(lower) : at <= 2 && lower.length <= phrase.length + 60)
      return phrase;
  }
  return null;
}
