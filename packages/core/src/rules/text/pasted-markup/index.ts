import { carried, fact, type Page } from '../../../document/page.ts';
import { descendants, valueOf, type ElementNode } from '../../../document/tree.ts';
import { isPasted, setsLooksOnly } from '../../../semantics/dressing.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { defineRule } from '../../types.ts';
import { tagged } from '../../../document/tagged.ts';
import { isInside, IN } from '../../../semantics/inside.ts';

/** This many spans that only set looks come from pasting, not from someone’s hand. Common practice. */
const MANY_SPANS = 3;

export const rule = defineRule({
  id: 'text/pasted-markup',
  title: 'Markup left by a word processor',
  why: 'It overrides the page’s own style and the reader’s, and hides what is a heading or a list.',
  fix: 'Clean it: strong, emphasis, lists, tables, links and languages stay, the looks go.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['clean'],
  messages: { word: 'A word processor left {many} marks in this page', spans: '{many} spans and font tags here only set looks' },
  end(page, tell) {
    const pasted = page.elements.filter(
      (element) => mayBePasted(element) && isPasted(element) && !isAllowed(page, element) && isExposed(page, element),
    );
    const spans = tagged(page, 'span', 'font').filter(
      (element) => setsLooksOnly(element) && !isInside(page, element, IN.code) && isExposed(page, element),
    );
    const comments = conditionalComments(page);
    const first = pasted[0] ?? spans[0] ?? page.body;
    if (pasted.length + comments > 0)
      tell({ at: pasted[0] ?? page.body, message: 'word', values: { many: pasted.length + comments }, subject: 'pasted' });
    else if (spans.length >= MANY_SPANS || spans.some((span) => span.tag === 'font' && valueOf(span, 'face') !== null && spans.length > 1))
      tell({ at: first, message: 'spans', values: { many: spans.length }, subject: 'pasted' });
  },
});

/** A mark is an attribute, or a tag of the word processor's own. */
function mayBePasted({ tag, attributes }: ElementNode): boolean {
  return attributes.length > 0 || tag.includes(':');
}

/** A class the house's own editor writes is none of a word processor's. */
function isAllowed(page: Page, element: ElementNode): boolean {
  const allowed = page.surroundings.vocabulary?.allowedClasses;
  if (!allowed?.length) return false;
  const classes = (valueOf(element, 'class') ?? '').split(/\s+/).filter(Boolean);
  return classes.length > 0 && classes.every((name) => allowed.includes(name));
}

const conditionalComments = fact((page: Page) => {
  if (!/<!(?:--)?\[(?:if|endif)/i.test(page.source)) return 0;
  let count = 0;
  for (const node of descendants(page.body)) if (node.kind === 'comment' && /^\[(?:if|endif)/i.test(node.text)) count++;
  return count;
}, carried);
