import { childElements, type ElementNode, type TreeNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { markersOf, type Marker } from './markers.ts';
import { shownText } from './names.ts';
import { roleOf } from './roles.ts';
import { isExposed } from './visibility.ts';

export interface RealList {
  element: ElementNode;
  kind: 'ordered' | 'unordered' | 'description';
  /** Its `li`, or `dt` and `dd`, told to readers. */
  items: readonly ElementNode[];
}

const KINDS: Record<string, RealList['kind']> = { ul: 'unordered', menu: 'unordered', ol: 'ordered', dl: 'description' };

/** Lists that are told as lists, in document order. */
export const realLists = fact((page: Page): RealList[] =>
  page.elements.flatMap((element) => {
    const kind = element.space === 'html' ? KINDS[element.tag] : undefined;
    if (!kind || !isExposed(page, element) || roleOf(element) === 'presentation') return [];
    return [{ element, kind, items: itemsOf(element, kind).filter((item) => isExposed(page, item)) }];
  }),
);

function itemsOf(list: ElementNode, kind: RealList['kind']): ElementNode[] {
  const children = childElements(list);
  if (kind !== 'description') return children.filter((child) => child.tag === 'li');
  return children.flatMap((child) => (child.tag === 'div' ? childElements(child) : [child])).filter((child) => child.tag === 'dt' || child.tag === 'dd');
}

/** Whether an element shows neither words nor pictures nor anything to use. */
export function showsNothing(element: ElementNode): boolean {
  const waiting: TreeNode[] = [...element.children];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (node.kind === 'text' ? /[^\s\u00a0\u200b]/.test(node.text) : node.kind === 'element' && HOLDS.has(node.tag)) return false;
    if (node.kind === 'element') waiting.push(...node.children);
  }
  return true;
}

const HOLDS = new Set(['img', 'svg', 'iframe', 'video', 'audio', 'object', 'embed', 'canvas', 'input', 'select', 'textarea', 'button', 'math', 'hr', 'picture']);

/** The typed marker an item begins with, where it says again what the list itself shows. `place`: of the item, from 0. */
export function repeatedMarker(page: Page, list: RealList, item: ElementNode, place: number): Marker | null {
  if (styleOf(page, item).listStyle === 'none') return null;
  const markers = markersOf(shownText(page, item, 60));
  return markers.find((marker) => (list.kind === 'unordered' ? marker.kind === 'bullet' : marker.kind !== 'bullet' && marker.value === place + 1)) ?? null;
}

