import { childElements, elementParent, has, rawText, type ElementNode } from '../../../document/tree.ts';
import { tagged } from '../../../document/tagged.ts';
import { realLists } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { defineRule } from '../../types.ts';

/** What no one quotes: with these inside, quote markup most often only indents. */
const NO_QUOTATION = new Set(['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'table', 'ul', 'ol', 'dl', 'blockquote', 'img', 'form', 'pre']);

export const rule = defineRule({
  id: 'lists/indent-by-quote',
  title: 'Quotation or list used to indent',
  why: 'A listener is told of a quotation or a list that is not there.',
  fix: 'Take the markup away; if the text has to stand in from the side, that is a matter of style.',
  question: { ask: 'Is this markup here only to move the text in?', yes: 'Yes, it only indents', no: 'No, it is a quotation' },
  criteria: ['1.3.1'],
  techniques: ['F43', 'H49'],
  weight: 'should',
  scope: 'any',
  remedies: ['unwrap'],
  messages: {
    quote: 'This quotation holds what is seldom quoted: “{text}”',
    list: 'This description list has no terms and seems only to indent: “{text}”',
  },
  end(page, tell) {
    for (const element of tagged(page, 'blockquote')) {
      if (!isExposed(page, element) || isQuotation(element)) continue;
      if (childElements(element).some((child) => NO_QUOTATION.has(child.tag)))
        tell({ at: element, message: 'quote', values: { text: shownText(page, element, 90) }, outcome: 'cantTell' });
    }
    for (const { element, kind, items } of realLists(page)) {
      if (kind === 'description' && items.length > 0 && items.every((item) => item.tag === 'dd'))
        tell({ at: element, message: 'list', values: { text: shownText(page, element, 90) }, outcome: 'cantTell' });
    }
  },
});

/** A source, an attribution or quotation marks say that it is one. */
function isQuotation(quote: ElementNode): boolean {
  if (has(quote, 'cite') || childElements(quote).some((child) => child.tag === 'footer' || child.tag === 'cite')) return true;
  const parent = elementParent(quote);
  return (
    /["“”„«»‹›]/.test(rawText(quote).slice(0, 400)) ||
    (parent?.tag === 'figure' && childElements(parent).some((child) => child.tag === 'figcaption'))
  );
}
