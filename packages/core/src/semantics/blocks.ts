import { childElements, closest, type ElementNode } from '../document/tree.ts';

/** Elements that CSS in HTML (the Living Standard's "Rendering") shows as blocks by default. */
const BLOCKS = new Set(
  ('address article aside blockquote body center dd details dialog dir div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 ' +
    'header hgroup hr html legend li listing main menu nav ol optgroup option p plaintext pre search section summary ul xmp ' +
    'table caption colgroup col thead tbody tfoot tr td th').split(' '),
);

export const HEADING_TAGS: readonly string[] = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6'];

export function isBlock(element: ElementNode): boolean {
  return element.space === 'html' && BLOCKS.has(element.tag);
}

/** A block with no block inside: a line or paragraph of its own. */
export function isLeafBlock(element: ElementNode): boolean {
  if (!isBlock(element)) return false;
  const waiting = childElements(element);
  for (let child = waiting.pop(); child; child = waiting.pop()) {
    if (isBlock(child)) return false;
    waiting.push(...childElements(child));
  }
  return true;
}

/** The block a piece of text or an inline element stands in. */
export function blockAround(element: ElementNode): ElementNode | null {
  return closest(element, isBlock);
}
