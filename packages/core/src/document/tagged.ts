import { carried, fact, type Page } from './page.ts';
import type { ElementNode } from './tree.ts';

const byTag = fact((page: Page) => {
  const found = new Map<string, ElementNode[]>();
  for (const element of page.elements) {
    const same = found.get(element.tag);
    if (same) same.push(element);
    else found.set(element.tag, [element]);
  }
  return found;
}, carried);

const NONE: readonly ElementNode[] = [];

/** The elements with one of some tags, of any namespace, in document order. */
export function tagged(page: Page, ...tags: readonly string[]): readonly ElementNode[] {
  const known = byTag(page);
  let found: readonly ElementNode[] = NONE;
  let kinds = 0;
  for (const tag of tags) {
    const same = known.get(tag);
    if (!same) continue;
    found = kinds === 0 ? same : [...found, ...same];
    kinds++;
  }
  return kinds > 1 ? (found as ElementNode[]).sort((a, b) => a.order - b.order) : found;
}

/** The elements that have attributes, in document order: most have none. */
export const attributed = fact(
  (page: Page): readonly ElementNode[] => page.elements.filter((element) => element.attributes.length > 0),
  carried,
);
