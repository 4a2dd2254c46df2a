import { closest, elementParent, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import { isBlock } from '../semantics/blocks.ts';
import { anchors } from '../semantics/links.ts';
import { insertAt, lineStyle, missingEnd } from './markup.ts';

/**
 * Writes a block right after the block that holds an element (a figure counts as one), on a line of its own where the page keeps lines.
 * Null without a place.
 */
export function blockAfter(page: Page, element: ElementNode, markup: string): Edit | null {
  const block = isBlock(element) ? element : closest(element, isBlock);
  const whole = block && (closest(block, (up) => up.tag === 'figure') ?? (block.tag === 'figcaption' ? elementParent(block) : block));
  if (!whole || whole === page.body || ['td', 'th', 'li', 'dd', 'dt', 'summary'].includes(whole.tag))
    return inside(page, element, whole ?? page.body, markup);
  if (!whole.range) return null;
  const { newline, indent } = lineStyle(page, whole.range.start);
  // A left-out end tag runs to the next tag: what follows it has to stay after what is written.
  let { end } = whole.range;
  if (!whole.endTag) while (end > whole.range.start && /\s/.test(page.source[end - 1]!)) end--;
  return insertAt(end, `${missingEnd(whole)}${newline}${indent}${markup}`);
}

/** In a cell or item, or loose in the body: right after the element's outermost inline parent. */
function inside(page: Page, element: ElementNode, holder: ElementNode, markup: string): Edit | null {
  let top = element;
  for (let up = elementParent(top); up && up !== holder; up = elementParent(up)) top = up;
  return top.range ? insertAt(top.range.end, `${lineStyle(page, top.range.start).newline}${markup}`) : null;
}

/** A name nothing on the page bears yet, begun from a text: letters, digits and dashes. */
export function freeId(page: Page, from: string, taken: ReadonlySet<string> = new Set()): string {
  const base =
    from
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[\u0300-\u036f]/g, '')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^[-\d]+|-+$/g, '')
      .slice(0, 40) || 'part';
  const used = (id: string) => anchors(page).has(id) || taken.has(id);
  if (!used(base)) return base;
  let n = 2;
  while (used(`${base}-${n}`)) n++;
  return `${base}-${n}`;
}
