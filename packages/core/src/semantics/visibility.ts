import { elementParent, has, valueOf, type ElementNode, type TreeNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { inlineStyle } from '../style/inline.ts';

/** Tags whose content no browser shows as part of the page (HTML Living Standard, "Hidden elements"). */
const NEVER_SHOWN = new Set(['head', 'script', 'style', 'template', 'noembed', 'noframes', 'datalist', 'param', 'rp', 'title', 'meta', 'link', 'base', 'noscript']);

const UNSEEN = 1;
const UNEXPOSED = 2;
const INVISIBLE = 4;

/** One pass: what is not shown, and what assistive technology is not told of, each with all that lies inside it. */
const flags = fact((page: Page) => {
  const found = new Uint8Array(page.elements.length);
  for (const element of page.elements) {
    const parent = elementParent(element);
    found[element.order] = flagsOf(element, parent ? found[parent.order]! : 0);
  }
  return found;
});

function flagsOf(element: ElementNode, inherited: number): number {
  let own = inherited & (UNSEEN | UNEXPOSED | INVISIBLE);
  if (element.space === 'html' && NEVER_SHOWN.has(element.tag)) own |= UNSEEN;
  if (element.tag === 'input' && valueOf(element, 'type')?.toLowerCase() === 'hidden') own |= UNSEEN;
  if (element.tag === 'dialog' && !has(element, 'open')) own |= UNSEEN;
  const style = inlineStyle(element);
  const display = style.get('display');
  if (display === 'none' || (has(element, 'hidden') && (display === undefined || display === 'none'))) own |= UNSEEN;
  const visibility = style.get('visibility');
  if (visibility === 'hidden' || visibility === 'collapse') own |= INVISIBLE;
  else if (visibility === 'visible') own &= ~INVISIBLE;
  if (valueOf(element, 'aria-hidden')?.trim().toLowerCase() === 'true' || has(element, 'inert')) own |= UNEXPOSED;
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
