import { carried, fact, type Page } from '../document/page.ts';
import { closest, elementParent, type ElementNode } from '../document/tree.ts';

/** Elements that CSS in HTML (the Living Standard's "Rendering") shows as blocks by default. */
const BLOCKS = new Set(
  (
    'address article aside blockquote body center dd details dialog dir div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 ' +
    'header hgroup hr html legend li listing main menu nav ol optgroup option p plaintext pre search section summary ul xmp ' +
    'table caption colgroup col thead tbody tfoot tr td th'
  ).split(' '),
);

export const HEADING_TAGS: readonly string[] = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6'];

export function isBlock(element: ElementNode): boolean {
  return element.space === 'html' && BLOCKS.has(element.tag);
}

/** Which elements hold a block, by `order`: one pass from the end, where what is inside comes first. */
const holdBlocks = fact((page: Page) => {
  const found = new Uint8Array(page.elements.length);
  for (let i = page.elements.length - 1; i > 0; i--) {
    const element = page.elements[i]!;
    const parent = elementParent(element);
    if (parent && (found[i] === 1 || isBlock(element))) found[parent.order] = 1;
  }
  return found;
}, carried);

/** A block with no block inside: a line or paragraph of its own. */
export function isLeafBlock(page: Page, element: ElementNode): boolean {
  return isBlock(element) && holdBlocks(page)[element.order] === 0;
}

/** The block a piece of text or an inline element stands in. */
export function blockAround(element: ElementNode): ElementNode | null {
  return closest(element, isBlock);
}
