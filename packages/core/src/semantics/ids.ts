import { valueOf, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { attributed } from '../document/tagged.ts';

/** The first element that bears each id. */
export const elementsById = fact((page: Page) => {
  const found = new Map<string, ElementNode>();
  for (const element of attributed(page)) {
    const id = valueOf(element, 'id');
    if (id && !found.has(id)) found.set(id, element);
  }
  return found;
}, carried);

/** The elements an attribute's list of ids names, those that exist. */
export function referred(page: Page, element: ElementNode, attribute: string): ElementNode[] {
  const ids = valueOf(element, attribute);
  if (!ids) return [];
  return ids
    .split(/\s+/)
    .map((id) => elementsById(page).get(id))
    .filter((target) => target !== undefined);
}
