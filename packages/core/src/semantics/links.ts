import { tidy, valueOf, type ElementNode, type TreeNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { attributed } from '../document/tagged.ts';
import { nameOf } from './names.ts';
import { imagesIn } from './images.ts';
import { isLink } from './roles.ts';
import { isExposed } from './visibility.ts';

export interface Link {
  element: ElementNode;
  name: string;
  /** As written, tidied; '' when there is none. */
  href: string;
}

/** The links told to readers, in document order. */
export const links = fact((page: Page): Link[] =>
  page.elements.flatMap((element) =>
    (element.tag === 'a' || element.attributes.length > 0) && isLink(element) && isExposed(page, element)
      ? [{ element, name: nameOf(page, element).name, href: tidy(valueOf(element, 'href') ?? '') }]
      : [],
  ),
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

/** What a link shows: words, an image, both or nothing. */
export function showsOf(link: ElementNode): 'words' | 'image' | 'both' | 'nothing' {
  const images = imagesIn(link).length > 0;
  let text = '';
  const waiting: TreeNode[] = [...link.children];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (node.kind === 'text') text += node.text;
    else if (node.kind === 'element') waiting.push(...node.children);
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
  const written = href.slice(at + 1);
  try {
    return decodeURIComponent(written);
  } catch {
    return written;
  }
}
