import { valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { nameOf } from './names.ts';
import { roleOf } from './roles.ts';
import { isExposed } from './visibility.ts';

export interface Heading {
  element: ElementNode;
  /** 1–6 for h1–h6; what aria-level says (2 when it says nothing) for role=heading. */
  level: number;
  name: string;
  /** The heading it is under: the nearest one before it of a lower level. Null at the top. */
  under: Heading | null;
}

/** The headings told to assistive technology, in document order. */
export const outline = fact((page: Page): Heading[] => {
  const headings: Heading[] = [];
  const open: Heading[] = [];
  for (const element of page.elements) {
    const level = headingLevel(element);
    if (level === null || !isExposed(page, element)) continue;
    while (open.length > 0 && open[open.length - 1]!.level >= level) open.pop();
    const heading = { element, level, name: nameOf(page, element).name, under: open[open.length - 1] ?? null };
    headings.push(heading);
    open.push(heading);
  }
  return headings;
});

/** Level of a heading element, or null when the element is no heading. */
export function headingLevel(element: ElementNode): number | null {
  if (roleOf(element) !== 'heading') return null;
  const written = Number(valueOf(element, 'aria-level'));
  if (Number.isInteger(written) && written > 0) return written;
  const tag = /^h([1-6])$/.exec(element.tag);
  return tag ? Number(tag[1]) : 2;
}

/** The last heading that begins before an element, or null. */
export function headingBefore(page: Page, element: ElementNode): Heading | null {
  const headings = outline(page);
  let low = 0;
  let high = headings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (headings[middle]!.element.order < element.order) low = middle + 1;
    else high = middle;
  }
  return headings[low - 1] ?? null;
}
