import { childElements, has, tidy, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { styleOf } from '../style/cascade.ts';
import { markersOf, type Marker } from './markers.ts';
import { shownText } from './names.ts';
import { roleOf } from './roles.ts';
import { isExposed } from './visibility.ts';
import { lookup } from '../source/lookup.ts';

export interface RealList {
  element: ElementNode;
  kind: 'ordered' | 'unordered' | 'description';
  /** Its `li`, or `dt` and `dd`, told to readers. */
  items: readonly ElementNode[];
}

const KINDS: Record<string, RealList['kind']> = { ul: 'unordered', menu: 'unordered', ol: 'ordered', dl: 'description' };

/** Lists that are told as lists, in document order. */
export const realLists = fact(
  (page: Page): RealList[] =>
    tagged(page, ...Object.keys(KINDS)).flatMap((element) => {
      const kind = lookup(KINDS, element.tag)!;
      if (element.space !== 'html' || !isExposed(page, element) || roleOf(element) === 'presentation') return [];
      return [{ element, kind, items: itemsOf(element, kind).filter((item) => isExposed(page, item)) }];
    }),
  carried,
);

function itemsOf(list: ElementNode, kind: RealList['kind']): ElementNode[] {
  const children = childElements(list);
  if (kind !== 'description') return children.filter((child) => child.tag === 'li');
  return children
    .flatMap((child) => (child.tag === 'div' ? childElements(child) : [child]))
    .filter((child) => child.tag === 'dt' || child.tag === 'dd');
}

const HOLDS = new Set([
  'img',
  'svg',
  'iframe',
  'video',
  'audio',
  'object',
  'embed',
  'canvas',
  'input',
  'select',
  'textarea',
  'button',
  'math',
  'hr',
  'picture',
]);

/** Which elements hold words, images or anything to use, by `order`: one pass from the end. */
const holdSomething = fact((page: Page) => {
  const found = new Uint8Array(page.elements.length);
  for (const { text, parent } of page.texts) if (parent?.kind === 'element' && /[^\s\u00a0\u200b]/.test(text)) found[parent.order] = 1;
  for (let i = page.elements.length - 1; i > 0; i--) {
    const element = page.elements[i]!;
    if (HOLDS.has(element.tag)) found[i] = 1;
    if (found[i] === 1 && element.parent?.kind === 'element') found[element.parent.order] = 1;
  }
  return found;
}, carried);

/** Whether an element shows neither words nor images nor anything to use. */
export function showsNothing(page: Page, element: ElementNode): boolean {
  return holdSomething(page)[element.order] === 0;
}

/** Bullet lists of one item each that follow one another with nothing between: one list, cut into its items. */
export const bulletRuns = fact((page: Page): RealList[][] => {
  const runs: RealList[][] = [];
  for (const list of realLists(page)) {
    if (list.kind !== 'unordered' || list.items.length !== 1) continue;
    const last = runs.at(-1)?.at(-1);
    if (last && isNext(last.element, list.element)) runs.at(-1)!.push(list);
    else runs.push([list]);
  }
  return runs.filter((run) => run.length > 1);
}, carried);

/** Whether a list is one of such a run. */
export function isPartOfRun(page: Page, list: ElementNode): boolean {
  return bulletRuns(page).some((run) => run.some((one) => one.element === list));
}

function isNext(one: ElementNode, other: ElementNode): boolean {
  if (one.parent !== other.parent) return false;
  return one
    .parent!.children.slice(one.index + 1, other.index)
    .every((node) => node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === ''));
}

/** The typed marker an item begins with, where it says again what the list itself shows. `place`: of the item, from 0. */
export function repeatedMarker(page: Page, list: RealList, item: ElementNode, place: number): Marker | null {
  if (styleOf(page, item).listStyle === 'none') return null;
  // Where the list counts in a way of its own, a typed number may be meant.
  if (
    list.kind === 'ordered' &&
    (['start', 'reversed', 'type'].some((name) => has(list.element, name)) || list.items.some((one) => has(one, 'value')))
  )
    return null;
  const markers = markersOf(shownText(page, item, 60));
  return (
    markers.find((marker) =>
      list.kind === 'unordered' ? marker.kind === 'bullet' : marker.kind !== 'bullet' && marker.value === place + 1,
    ) ?? null
  );
}
