import { tidy, valueOf, closestWithin, elementParent, elementsIn, has, type ElementNode, type TreeNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { attributed } from '../document/tagged.ts';
import { nameOf, shownText } from './names.ts';
import { imagesIn } from './images.ts';
import { isLink } from './roles.ts';
import { isExposed } from './visibility.ts';
import { phrasesOf, bare } from '../standards/phrases/index.ts';
import { isInside, FURNITURE } from './inside.ts';
import { isBlock } from './blocks.ts';
import { append } from '../source/lists.ts';

export interface Link {
  element: ElementNode;
  name: string;
  /** As written, tidied; '' when there is none. */
  href: string;
}

/** The links told to readers, in document order. */
export const links = fact((page: Page): Link[] =>
  attributed(page)
    .filter((element) => isLink(element) && isExposed(page, element))
    .map((element) => ({ element, name: nameOf(page, element).name, href: tidy(valueOf(element, 'href') ?? '') })),
);

/** The link right after another: the next sibling, with nothing but white space and perhaps a line break between. */
export function linkAfter(link: ElementNode): { next: ElementNode; between: readonly TreeNode[] } | null {
  const siblings = link.parent!.children;
  const between: TreeNode[] = [];
  for (let at = link.index + 1; at < siblings.length; at++) {
    const node = siblings[at]!;
    if (node.kind === 'element' && node.tag === 'a') return isLink(node) ? { next: node, between } : null;
    if (node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === '') || (node.kind === 'element' && node.tag === 'br'))
      between.push(node);
    else return null;
  }
  return null;
}

/** Relations and keys by which generated pages mark the links that turn their pages. */
const TURNING = /\b(?:prev|previous|next|up|start|first|last|home|index|contents|toc|help|bookmark|glossary|copyright)\b/i;

/** Whether a link turns to a neighbouring page: by its relation, its access key, or its words. */
export function turnsPages(link: ElementNode, name: string): boolean {
  if (TURNING.test(valueOf(link, 'rel') ?? '') || TURNING.test(valueOf(link, 'rev') ?? '')) return true;
  if (/^[pnuhtic]$/i.test((valueOf(link, 'accesskey') ?? '').trim())) return true;
  return phrasesOf('pageTurning').has(bare(name));
}

/** Names that people give to boxes of links. */
const NAV_NAME =
  /(?:^|[-_ ])(?:nav|navi|navigation|navbar|menu|breadcrumbs?|pager|pagination|toc|sitemap|footer|header|topbar)(?:$|[-_ \d])/i;

/** Whether a link stands among navigation: in a part marked or named so, or in a block that holds nothing but links. */
export function isNavigation(page: Page, link: ElementNode): boolean {
  if (isInside(page, link, FURNITURE)) return true;
  if (closestWithin(link, 8, (up) => NAV_NAME.test(`${valueOf(up, 'class') ?? ''} ${valueOf(up, 'id') ?? ''}`))) return true;
  const block = closestWithin(link, 6, isBlock);
  const row = block?.tag === 'td' || block?.tag === 'th' ? elementParent(block) : block;
  if (!row) return false;
  // A menu may go down a column as well as along a row.
  return isMadeOfLinks(page, row) || (row.tag === 'tr' && isMadeOfLinks(page, closestWithin(row, 2, (up) => up.tag === 'table') ?? row));
}

const madeOfLinks = fact((): Map<ElementNode, boolean> => new Map());

/** Whether a part holds three links or more, and hardly anything else. */
function isMadeOfLinks(page: Page, part: ElementNode): boolean {
  const known = madeOfLinks(page);
  let found = known.get(part);
  if (found === undefined) known.set(part, (found = holdsLinksOnly(page, part)));
  return found;
}

function holdsLinksOnly(page: Page, row: ElementNode): boolean {
  const others = [...elementsIn(row)].filter((inner) => inner.tag === 'a' && has(inner, 'href'));
  return (
    others.length >= 3 &&
    shownText(page, row, 2_000).length <= 1.35 * others.reduce((sum, one) => sum + shownText(page, one, 300).length + 2, 0)
  );
}

/** What a link shows: words, an image, both or nothing. */
export function showsOf(link: ElementNode): 'words' | 'image' | 'both' | 'nothing' {
  const images = imagesIn(link).length > 0;
  let text = '';
  const waiting: TreeNode[] = [...link.children];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (node.kind === 'text') text += node.text;
    else if (node.kind === 'element') append(waiting, node.children);
  }
  const words = tidy(text) !== '';
  return images ? (words ? 'both' : 'image') : words ? 'words' : 'nothing';
}

/** Ids and names that an address on the page may lead to. */
export const anchors = fact((page: Page): Map<string, ElementNode[]> => {
  const found = new Map<string, ElementNode[]>();
  const add = (name: string | null, element: ElementNode) => {
    if (!name) return;
    const same = found.get(name);
    if (same) same.push(element);
    else found.set(name, [element]);
  };
  for (const element of attributed(page)) {
    // Of markup that is left open the parser makes copies: nobody wrote them.
    if (!element.startTag && element.range === null) continue;
    const id = valueOf(element, 'id');
    add(id, element);
    const name = element.tag === 'a' || element.tag === 'map' ? valueOf(element, 'name') : null;
    if (name !== id) add(name, element);
  }
  return found;
}, carried);

/** The part of an address behind `#`, decoded. */
export function anchorOf(href: string): string {
  const at = href.indexOf('#');
  if (at < 0) return '';
  // A directive for text on the page is no part of the name.
  const written = href.slice(at + 1).replace(/:~:.*$/s, '');
  try {
    return decodeURIComponent(written);
  } catch {
    return written;
  }
}

/** Targets that stay in the window one is in. */
const SAME_WINDOW = new Set(['', '_self', '_parent', '_top']);

/** Whether a link opens another window than the one it stands in. */
export function opensWindow(link: ElementNode): boolean {
  return !SAME_WINDOW.has((valueOf(link, 'target') ?? '').trim().toLowerCase());
}
