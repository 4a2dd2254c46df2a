import { tidy, valueOf, type ElementNode, type TextNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { inputType, wordsBeside } from '../semantics/fields.ts';
import { escapeText, insertAt, NO_SOURCE, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a field its label: the words beside it where they stand, else new ones before it. */
export const remedy: Remedy = {
  name: 'label',
  label: 'Give it a label',
  certain: false,
  fields: [{ name: 'text', label: 'What is entered here?', kind: 'text' }],
  propose: ({ page, element }) => ({ text: wordsBeside(page, element) }),
  plan({ page, element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write what is entered here.');
    if (!element.startTag || !element.range) return decline(NO_SOURCE);
    const id = valueOf(element, 'id') ?? freeId(page, text);
    const named = valueOf(element, 'id') ? [] : [setAttribute(element, 'id', id)!];
    const beside = looseWords(page, element, text);
    if (beside) return planned(insertAt(beside.start, `<label for="${id}">`), insertAt(beside.end, '</label>'), ...named);
    const after = inputType(element) === 'checkbox' || inputType(element) === 'radio';
    const markup = `<label for="${id}">${escapeText(text)}</label>`;
    return planned(...named, after ? insertAt(element.range.end, ` ${markup}`) : insertAt(element.range.start, `${markup} `));
  },
};

/** Where the words stand in loose text right beside the field; null when they do not. */
function looseWords(page: Page, field: ElementNode, words: string): { start: number; end: number } | null {
  const siblings = field.parent!.children;
  for (const node of [siblings[field.index - 1], siblings[field.index + 1]]) {
    const range = node?.kind === 'text' ? (node as TextNode).range : null;
    const written = range ? page.source.slice(range.start, range.end) : '';
    const at = written.indexOf(escapeText(words));
    if (range && at >= 0) return { start: range.start + at, end: range.start + at + escapeText(words).length };
  }
  return null;
}
