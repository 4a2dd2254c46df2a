import { elementParent, has, valueOf, type ElementNode, type TreeNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';

const UNSEEN = 1;
const UNEXPOSED = 2;
const INVISIBLE = 4;

/** One pass: what is not shown, and what assistive technology is not told of, each with all that lies inside it. */
const flags = fact((page: Page) => {
  const found = new Uint8Array(page.elements.length);
  for (const element of page.elements) {
    const parent = elementParent(element);
    found[element.order] = flagsOf(page, element, parent ? found[parent.order]! : 0);
  }
  return found;
}, carried);

function flagsOf(page: Page, element: ElementNode, inherited: number): number {
  const style = styleOf(page, element);
  let own = inherited & UNEXPOSED;
  // Nothing an author sets shows a hidden field.
  if (style.gone || (element.tag === 'input' && valueOf(element, 'type')?.toLowerCase() === 'hidden')) own |= UNSEEN;
  if (!style.visible) own |= INVISIBLE;
  if (element.attributes.length > 0 && (valueOf(element, 'aria-hidden')?.trim().toLowerCase() === 'true' || has(element, 'inert')))
    own |= UNEXPOSED;
  return own;
}

/** Shown to someone who sees the page. */
export function isSeen(page: Page, element: ElementNode): boolean {
  return (flags(page)[element.order]! & (UNSEEN | INVISIBLE)) === 0;
}

/** Told to assistive technology: shown, and in no aria-hidden or inert part. */
export function isExposed(page: Page, element: ElementNode): boolean {
  return flags(page)[element.order] === 0;
}

/** Not rendered at all (`hidden`, display: none, closed dialog, head). */
export function isGone(page: Page, node: TreeNode): boolean {
  const element = node.kind === 'element' ? node : elementParent(node);
  return element !== null && (flags(page)[element.order]! & UNSEEN) !== 0;
}
