import { defineRule } from '../../types.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { generatedText, generatesText } from '../../../style/cascade.ts';
import { tidy, type ElementNode } from '../../../document/tree.ts';
export const rule = defineRule({
  id: 'structure/words-in-css',
  title: 'Words that only a style sheet holds',
  why: 'They cannot be found, translated or enlarged as text, and are gone where styles are.',
  fix: 'Write the words into the page.',
  question: {
    ask: 'Do these words tell the reader something the page does not?',
    yes: 'Yes, they belong into the page',
    no: 'No, they only decorate',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['F87'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    words: 'The words “{words}” stand only in a style sheet',
  },
  end(page, tell) {
    if (!generatesText(page)) return;
    const told = new Set<string>();
    for (const element of page.elements) {
      const made = isExposed(page, element) ? generatedText(page, element) : undefined;
      for (const words of [made?.before, made?.after]) {
        const text = tidy(words ?? '');
        // A word, and no mark of a list, number, quotation or unit; what repeats an attribute is in the page already.
        if (!/\p{L}{3}/u.test(text) || told.has(text) || isOfAttribute(element, text)) continue;
        told.add(text);
        tell({ at: element, message: 'words', values: { words: text }, subject: text, outcome: 'cantTell' });
      }
    }
  },
});

/** Whether a text is but what an attribute of the element says, with signs around it. */
function isOfAttribute(element: ElementNode, text: string): boolean {
  const words = text.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');
  return element.attributes.some((one) => one.value.includes(words));
}
