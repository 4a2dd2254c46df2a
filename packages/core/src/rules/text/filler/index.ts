import { defineRule } from '../../types.ts';
import { passages, countWords } from '../../../semantics/passages.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
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
      if (kept || text.length > 2_000) continue;
      const filler = holdsFiller(text) ?? ownFiller(page.surroundings.vocabulary?.fillers, text);
      if ((!filler && !CODE.test(text)) || texts.some((one) => isInside(page, elementParent(one)!, IN.code))) continue;
      if (filler)
        tell({
          at: block,
          message: 'filler',
          values: { text },
          subject: text,
          ...(countWords(text) > 2 * countWords(filler) + 12 ? { remedies: [] } : {}),
        });
      else tell({ at: block, message: 'code', values: { text }, subject: text, remedies: [] });
    }
  },
});

/** A whole passage that is a place for an embedded thing, or a field of a template. */
const CODE =
  /^(?:\[(?:embed|video|audio|gallery|caption|youtube|iframe|shortcode|insert|image|map|form)\b[^\]]*\](?:.*\[\/\w+\])?|\{\{[^{}]{1,80}\}\}|%%[\w ]{2,40}%%|<%[^%]{1,80}%>|\[\[[\w: -]{2,60}\]\]|\[(?:insert|your|enter|add)\b[^\]]{2,60}\])$/i;

/** Phrases of templates stand alone: longer passages only speak of them, but for the one that goes on for as long as one likes. */
const LONGEST = 110;

/** Phrases at the beginning of a text, perhaps behind a bracket. */
let begins: RegExp | null = null;

/** A phrase of the house's own templates that a text begins with, where it is not much longer. */
function ownFiller(phrases: readonly string[] = [], text: string): string | null {
  const lower = text.toLowerCase();
  return phrases.find((phrase) => phrase !== '' && lower.startsWith(phrase.toLowerCase()) && text.length <= phrase.length + 60) ?? null;
}

/** A phrase of templates that a text is, or begins with; null when it holds none. */
function holdsFiller(text: string): string | null {
  if (/lorem ipsum/i.test(text) && (/^lorem/i.test(text) || /lorem ipsum dolor/i.test(text))) return 'lorem ipsum';
  if (text.length > LONGEST) return null;
  begins ??= new RegExp(
    `^.{0,2}(${[...phrasesOf('fillers')].map((phrase) => phrase.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|')})`,
    'i',
  );
  const found = begins.exec(text)?.[1];
  return found !== undefined && text.length <= found.length + 60 ? found : null;
}
