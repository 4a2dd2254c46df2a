import { carried, fact, type Page } from '../document/page.ts';
import { descendants, valueOf, type ElementNode } from '../document/tree.ts';
import { tagged } from '../document/tagged.ts';
import { isPasted, setsLooksOnly } from './dressing.ts';
import { isInside, IN } from './inside.ts';
import { isExposed } from './visibility.ts';

/** What a word processor, or pasting from a page, left in a page. */
export interface PastedMarks {
  /** Elements with a word processor's classes, properties or tags; a mark is an attribute, or a tag of its own. */
  pasted: ElementNode[];
  /** Its conditional comments. */
  comments: number;
  /** Spans and font tags that set nothing but looks. */
  spans: ElementNode[];
}

export const pastedMarks = fact((page: Page): PastedMarks => ({
  pasted: page.elements.filter(
    (element) => mayBePasted(element) && isPasted(element) && !isAllowed(page, element) && isExposed(page, element),
  ),
  comments: conditionalComments(page),
  spans: tagged(page, 'span', 'font').filter(
    (element) => setsLooksOnly(element) && !isInside(page, element, IN.code) && isExposed(page, element),
  ),
}));

/** This many spans that only set looks come from pasting, not from someone’s hand. Common practice. */
const MANY_SPANS = 3;

/** How many marks of pasting a page carries, where that is worth a word; else 0. */
export function manyPasted(page: Page): number {
  const { pasted, comments, spans } = pastedMarks(page);
  if (pasted.length + comments > 0) return pasted.length + comments;
  return areMany(spans) ? spans.length : 0;
}

/** Whether so many spans come from pasting. */
export function areMany(spans: readonly ElementNode[]): boolean {
  return spans.length >= MANY_SPANS || spans.some((span) => span.tag === 'font' && valueOf(span, 'face') !== null && spans.length > 1);
}

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
