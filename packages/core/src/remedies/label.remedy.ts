import { childElements, tidy, valueOf, type ElementNode, type TextNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { inputType, labels, wordsBeside } from '../semantics/fields.ts';
import { escapeText, insertAt, NO_SOURCE, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a field its label: one beside it that is tied to nothing, the words beside it where they stand, else new ones before it. */
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
    const untied = untiedLabel(page, element, text);
    const tie = untied && setAttribute(untied, 'for', id);
    if (tie) return planned(tie, named);
    const beside = looseWords(page, element, text);
    if (beside) return planned(insertAt(beside.start, `<label for="${id}">`), insertAt(beside.end, '</label>'), named);
    const after = inputType(element) === 'checkbox' || inputType(element) === 'radio';
    const markup = `<label for="${id}">${escapeText(text)}</label>`;
    return planned(named, after ? insertAt(element.range.end, ` ${markup}`) : insertAt(element.range.start, `${markup} `));
  },
};

/** A label right beside the field that says the words and belongs to no field yet. */
function untiedLabel(page: Page, field: ElementNode, words: string): ElementNode | null {
  const beside = childElements(field.parent!);
  const at = beside.indexOf(field);
  const found = [beside[at - 1], beside[at + 1]].find((one) => one?.tag === 'label');
  const label = found && labels(page).find((one) => one.label === found);
  const bare = (text: string) => tidy(text).replace(/[\s:*]+$/, '');
  return label && label.field === null && bare(label.text) === bare(words) ? found : null;
}

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
