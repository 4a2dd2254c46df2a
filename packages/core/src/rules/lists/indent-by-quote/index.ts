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
  question: {
    ask: 'Is this markup here only to move the text in?',
    yes: 'Yes, it only indents',
    no: 'No, it is a quotation',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['F43', 'H49'],
  weight: 'should',
  scope: 'any',
  remedies: ['unwrap'],
  messages: {
    quote: 'This quotation holds what is seldom quoted: {text}',
    quotes: '{many} quotations hold what is seldom quoted, the first {text}',
    list: 'This description list has no terms and seems only to indent: {text}',
    lists: '{many} description lists have no terms and seem only to indent, the first {text}',
  },
  end(page, tell) {
    const quotes = tagged(page, 'blockquote').filter(
      (element) => isExposed(page, element) && !isQuotation(element) && childElements(element).some((child) => NO_QUOTATION.has(child.tag)),
    );
    const lists = realLists(page)
      .filter(({ kind, items }) => kind === 'description' && items.length > 0 && items.every((item) => item.tag === 'dd'))
      .map(({ element }) => element);
    for (const [elements, one, several] of [
      [quotes, 'quote', 'quotes'],
      [lists, 'list', 'lists'],
    ] as const) {
      const [first] = elements;
      if (!first) continue;
      const words = shownText(page, first, 90);
      tell({
        at: first,
        places: elements,
        message: elements.length > 1 ? several : one,
        values: { text: words ? `“${words}”` : 'an image', many: elements.length },
        subject: words,
        outcome: 'cantTell',
      });
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
