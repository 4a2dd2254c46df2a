import { tidy } from '../document/tree.ts';
import { passagesByBlock } from '../semantics/passages.ts';
import { escapeText, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';

/** Writes a passage in ordinary letters. */
export const remedy: Remedy = {
  name: 'sentence-case',
  label: 'Write it in ordinary letters',
  certain: false,
  fields: [{ name: 'text', label: 'The text in ordinary letters', kind: 'passage', hint: 'Give names their capitals again.' }],
  propose: (target) => ({ text: inSentences(textOf(target)?.text ?? '') }),
  plan(target, inputs) {
    const node = textOf(target);
    if (!node) return decline('This passage holds markup of its own; fix it in Source.');
    if (!node.range) return decline(NO_SOURCE);
    const text = tidy(inputs.text ?? '') || inSentences(node.text);
    if (!/\p{Ll}/u.test(text)) return decline('This is still in capitals.');
    const written = target.page.source.slice(node.range.start, node.range.end);
    const [lead, trail] = [/^\s*/.exec(written)![0], /\s*$/.exec(written)![0]];
    return planned({ ...node.range, text: `${lead}${escapeText(text)}${trail}` });
  },
};

/** The only text of the passage. */
function textOf({ page, element }: Target) {
  const passage = passagesByBlock(page).get(element)?.[0];
  const real = passage?.texts.filter((node) => /\S/.test(node.text)) ?? [];
  return real.length === 1 ? real[0]! : null;
}

function inSentences(text: string): string {
  return tidy(text)
    .toLowerCase()
    .replace(/(^|[.!?]\s+)(\p{L})/gu, (_all, before: string, letter: string) => before + letter.toUpperCase());
}
